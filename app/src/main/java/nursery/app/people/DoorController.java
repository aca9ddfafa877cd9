package nursery.app.people;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.people.DeviceMapper.DeviceRow;
import nursery.app.people.PeopleMapper.MakerRow;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.ModelAndView;

/** The door: signing in, joining, a locked screen, and what is told to whom it does not open. */
@Controller
class DoorController {

    private static final Duration REMEMBERED = Duration.ofDays(400);
    private static final Map<String, String> SAID = Map.of(
            "wrong", "That name and that password do not belong together.",
            "wrong-pin", "That is not the PIN. After five wrong ones it needs the password.",
            "pin-locked", "The PIN was wrong five times: sign in with the password once, then it works again.",
            "wait", "Five wrong passwords: wait five minutes, then try again.",
            "out", "You are signed out on this device.");

    private final SignIn signIn;
    private final Makers makers;
    private final Devices devices;
    private final FormPost posts;

    DoorController(SignIn signIn, Makers makers, Devices devices, FormPost posts) {
        this.signIn = signIn;
        this.makers = makers;
        this.devices = devices;
        this.posts = posts;
    }

    @GetMapping("/sign-in")
    String signIn(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        if (!makers.isSignInWanted()) {
            return "redirect:/";
        }
        if (makers.seat().isEmpty()) {
            SignIn.visits(request.getSession());
        }
        Optional<DeviceRow> device = signIn.device(request);
        boolean joined = device.filter(row -> row.removedAt() == null).isPresent();
        model.addAttribute("form", Form.fresh(Map.of()));
        model.addAttribute(
                "said",
                typed.keySet().stream()
                        .filter(SAID::containsKey)
                        .map(SAID::get)
                        .findFirst()
                        .orElse(""));
        model.addAttribute("device", device.map(DeviceRow::name).orElse(""));
        model.addAttribute("joined", joined);
        model.addAttribute("wasRemoved", device.isPresent() && !joined);
        // Who works here is told to a device that joined, and to nobody else.
        model.addAttribute(
                "names",
                joined
                        ? makers.all().stream()
                                .filter(row -> row.pinHash() != null)
                                .map(MakerRow::name)
                                .toList()
                        : List.of());
        return "people/sign-in";
    }

    @RequestMapping("/not-yours")
    @ResponseStatus(HttpStatus.FORBIDDEN)
    String notYours(Model model) {
        model.addAttribute("status", HttpStatus.FORBIDDEN.value());
        model.addAttribute("heading", "Not yours to do here");
        model.addAttribute("message", "Ask the owner, who gives roles under Shop, Makers.");
        return "error";
    }

    /** What a screen shows that nobody touched for a while; carries what was being sent. */
    @RequestMapping("/locked")
    @ResponseStatus(HttpStatus.LOCKED)
    String locked(HttpServletRequest request, Model model) {
        Object from = request.getAttribute(RequestDispatcher.FORWARD_REQUEST_URI);
        if (from == null || makers.seat().isEmpty()) {
            return "redirect:/";
        }
        boolean sent = "POST".equals(request.getMethod()) && !"/unlock".equals(from);
        Map<String, List<String>> carried = new LinkedHashMap<>();
        if (sent) {
            request.getParameterMap().forEach((name, values) -> {
                if (!name.equals("_csrf") && !name.equals(IdleLock.FIELD)) {
                    carried.put(name, Arrays.asList(values));
                }
            });
        }
        String query =
                request.getAttribute(RequestDispatcher.FORWARD_QUERY_STRING) instanceof String text ? "?" + text : "";
        model.addAttribute("form", Form.fresh(Map.of()));
        model.addAttribute("asking", true);
        model.addAttribute("sent", sent);
        model.addAttribute("carried", carried);
        model.addAttribute("action", sent ? from : "/unlock");
        String to = request.getParameter("to");
        model.addAttribute("to", sent ? "" : "/unlock".equals(from) ? String.valueOf(to) : from + query);
        model.addAttribute("wrong", Boolean.TRUE.equals(request.getAttribute("wrong")));
        model.addAttribute("who", makers.seat().map(Seat::name).orElse(""));
        return "people/locked";
    }

    @GetMapping("/join")
    String join(@RequestParam Map<String, String> typed, Model model) {
        model.addAttribute("form", Form.fresh(Map.of("code", typed.getOrDefault("code", ""))));
        model.addAttribute("good", devices.isGood(typed.getOrDefault("code", "")));
        return "people/join";
    }

    @PostMapping("/join")
    ModelAndView join(
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        return posts.handle(
                typed,
                model,
                () -> {
                    String token = devices.join(
                            typed.getOrDefault("code", ""),
                            typed.getOrDefault("device", "").strip());
                    // By its age, not by a date: a phone's clock may be wrong.
                    response.addHeader(
                            HttpHeaders.SET_COOKIE,
                            ResponseCookie.from(SignIn.DEVICE_COOKIE, token)
                                    .path("/")
                                    .httpOnly(true)
                                    .secure(request.isSecure())
                                    .sameSite("Strict")
                                    .maxAge(REMEMBERED)
                                    .build()
                                    .toString());
                    return "/sign-in";
                },
                form -> {
                    model.addAttribute("form", form);
                    model.addAttribute("good", devices.isGood(form.value("code")));
                    return "people/join";
                });
    }
}
