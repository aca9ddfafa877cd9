package nursery.app.people;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.people.PeopleMapper.MakerRow;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Gone;
import nursery.app.platform.Hosts;
import nursery.app.platform.Seen;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Makers as the owner keeps them, and each one's own password and PIN. */
@Controller
class PeopleController {

    private final Makers makers;
    private final Audit audit;
    private final FormPost posts;
    private final Hosts hosts;

    PeopleController(Makers makers, Audit audit, FormPost posts, Hosts hosts) {
        this.makers = makers;
        this.audit = audit;
        this.posts = posts;
        this.hosts = hosts;
    }

    @GetMapping("/people")
    String people(Model model) {
        return page(Form.fresh(Map.of()), model);
    }

    @PostMapping("/people")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Optional<Role> role = reader.choice("role", "The role", Role.class);
                    refuseUnlessTwice(reader, typed);
                    reader.faults().throwIfAny();
                    boolean first = !makers.isSignInWanted();
                    makers.add(
                            reader.raw("name").replaceAll("\\p{Cntrl}", " "),
                            role.orElseThrow(),
                            typed.getOrDefault("password", ""),
                            reader.raw("pin"));
                    return first ? "/sign-in" : "/people";
                },
                form -> page(withoutSecrets(form), model));
    }

    @PostMapping("/people/lock")
    ModelAndView lock(@RequestParam Map<String, String> typed, Model model) {
        return change(typed, model, reader -> {
            Seen.check(typed, Seen.of(makers.lockMinutes()));
            double minutes = reader.number("lock", "The minutes until a screen locks");
            reader.faults().throwIfAny();
            makers.setLockMinutes(minutes);
        });
    }

    @PostMapping("/people/{id}/role")
    ModelAndView role(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return change(typed, model, reader -> {
            Seen.check(
                    typed,
                    Seen.of(makers.all().stream()
                            .filter(one -> one.id() == id)
                            .map(one -> one.role())
                            .findFirst()
                            .map(String::valueOf)
                            .orElse("")));
            Optional<Role> role = reader.choice("role", "The role", Role.class);
            reader.faults().throwIfAny();
            makers.setRole(id, role.orElseThrow());
        });
    }

    @PostMapping("/people/{id}/password")
    ModelAndView password(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return change(typed, model, reader -> {
            refuseUnlessTwice(reader, typed);
            reader.faults().throwIfAny();
            makers.setPassword(id, typed.getOrDefault("password", ""));
        });
    }

    @PostMapping("/people/{id}/pin")
    ModelAndView pin(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return change(typed, model, reader -> makers.setPin(id, reader.raw("pin")));
    }

    @PostMapping("/people/{id}/sign-out")
    ModelAndView signOut(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return change(typed, model, reader -> {
            String name = named(id).name();
            makers.signOutEverywhere(name);
            audit.tell(Audit.What.SIGNED_OUT, name + " everywhere");
        });
    }

    @PostMapping("/people/{id}/remove")
    ModelAndView remove(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return change(typed, model, reader -> {
            if (hosts.isNetwork() && makers.all().size() == 1) {
                throw new InvalidInput(List.of(new Fault(
                        "role", "The local network is served: without an owner anybody on it could come in.")));
            }
            makers.remove(id);
        });
    }

    /** One's own password and PIN. */
    @GetMapping("/me")
    String me(HttpServletRequest request, Model model) {
        return me(Form.fresh(Map.of()), request, model);
    }

    @PostMapping("/me/password")
    ModelAndView ownPassword(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        return own(typed, request, model, makers::knowsBest, (row, reader) -> {
            refuseUnlessTwice(reader, typed);
            reader.faults().throwIfAny();
            makers.setPassword(row.id(), typed.getOrDefault("password", ""));
            return "/sign-in";
        });
    }

    @PostMapping("/me/pin")
    ModelAndView ownPin(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        return own(typed, request, model, makers::knows, (row, reader) -> {
            makers.setPin(row.id(), reader.raw("pin"));
            return "/me#kept";
        });
    }

    @PostMapping("/me/sign-out")
    ModelAndView ownSignOut(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    String name = own(request).name();
                    audit.tell(Audit.What.SIGNED_OUT, "everywhere");
                    makers.signOutEverywhere(name);
                    return "/sign-in";
                },
                form -> me(form, request, model));
    }

    @FunctionalInterface
    private interface Change {
        void of(FormReader reader);
    }

    @FunctionalInterface
    private interface Knows {
        boolean test(MakerRow row, String secret, long device);
    }

    @FunctionalInterface
    private interface OwnChange {
        String of(MakerRow row, FormReader reader);
    }

    private ModelAndView change(Map<String, String> typed, Model model, Change change) {
        return posts.handle(
                typed,
                model,
                () -> {
                    change.of(new FormReader(typed));
                    return "/people";
                },
                form -> page(withoutSecrets(form), model));
    }

    /** Whoever is signed in says the old password or PIN again before either changes (OWASP ASVS 2.1.6). */
    private ModelAndView own(
            Map<String, String> typed, HttpServletRequest request, Model model, Knows knows, OwnChange change) {
        return posts.handle(
                typed,
                model,
                () -> {
                    MakerRow row = own(request);
                    long device = SignInDetails.device(
                            SecurityContextHolder.getContext().getAuthentication());
                    if (!knows.test(row, typed.getOrDefault("old", ""), device)) {
                        throw new InvalidInput(
                                List.of(new Fault("old", "That is not your password or PIN as it was until now.")));
                    }
                    return change.of(row, new FormReader(typed));
                },
                form -> me(withoutSecrets(form), request, model));
    }

    private MakerRow own(HttpServletRequest request) {
        return Optional.ofNullable(request.getUserPrincipal())
                .flatMap(who -> makers.named(who.getName()))
                .orElseThrow(Gone::new);
    }

    private MakerRow named(long id) {
        return makers.all().stream().filter(row -> row.id() == id).findFirst().orElseThrow(Gone::new);
    }

    private static void refuseUnlessTwice(FormReader reader, Map<String, String> typed) {
        reader.faults()
                .require(
                        typed.getOrDefault("password", "").equals(typed.getOrDefault("again", "")),
                        "again",
                        "The two are not the same: type the password twice.");
    }

    private static Form withoutSecrets(Form form) {
        Map<String, String> typed = new java.util.LinkedHashMap<>(form.typed());
        List.of("password", "again", "pin", "old").forEach(typed::remove);
        return new Form(typed, form.faults(), form.token());
    }

    private String page(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("people", makers.all());
        model.addAttribute("roles", Role.values());
        model.addAttribute("wanted", makers.isSignInWanted());
        model.addAttribute("pinsLocked", makers.pinsLocked());
        model.addAttribute("lockMinutes", makers.lockMinutes());
        return "people/people";
    }

    private String me(Form form, HttpServletRequest request, Model model) {
        if (request.getUserPrincipal() == null) {
            return "redirect:/shop#maker";
        }
        model.addAttribute("form", form);
        model.addAttribute("row", own(request));
        return "people/me";
    }
}
