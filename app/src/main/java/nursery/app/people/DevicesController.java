package nursery.app.people;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Hosts;
import nursery.app.platform.Maker;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Devices and programs as the owner keeps them, and the audit log. */
@Controller
class DevicesController {

    private final Devices devices;
    private final Makers makers;
    private final Audit audit;
    private final FormPost posts;
    private final Hosts hosts;
    private final int port;

    DevicesController(
            Devices devices,
            Makers makers,
            Audit audit,
            FormPost posts,
            Hosts hosts,
            @Value("${nursery.lan.port:8443}") int port) {
        this.devices = devices;
        this.makers = makers;
        this.audit = audit;
        this.posts = posts;
        this.hosts = hosts;
        this.port = port;
    }

    @GetMapping("/devices")
    String devices(Model model) {
        return page(Form.fresh(Map.of()), model);
    }

    /** A code for one device: on this answer, and on no other. */
    @PostMapping("/devices/code")
    String code(HttpServletRequest request, Model model) {
        if (makers.isSignInWanted()) {
            String code = devices.newCode(Maker.of(request).name());
            List<String> addresses = hosts.network().stream()
                    .filter(host -> !host.contains(":"))
                    .map(host -> "https://%s:%d/join?code=%s".formatted(host, port, code))
                    .toList();
            model.addAttribute("joinAt", addresses);
            model.addAttribute("code", code);
            // An address that only this machine knows leads no phone anywhere.
            if (!addresses.isEmpty()) {
                model.addAttribute("qr", Qr.of(addresses.get(0)));
            }
        }
        return page(Form.fresh(Map.of()), model);
    }

    @PostMapping("/devices/{id}/remove")
    ModelAndView remove(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    devices.remove(id);
                    return "/devices";
                },
                form -> page(form, model));
    }

    /** A token for a program: on this answer, and on no other. */
    @PostMapping("/devices/tokens")
    ModelAndView token(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        try {
            model.addAttribute(
                    "token",
                    devices.newToken(
                            typed.getOrDefault("token-name", "").strip(),
                            Maker.of(request).name()));
            return new ModelAndView(page(Form.fresh(Map.of()), model), model.asMap());
        } catch (nursery.core.measure.InvalidInput e) {
            return new ModelAndView(
                    page(Form.rejected(typed, e.faults()), model),
                    model.asMap(),
                    org.springframework.http.HttpStatus.UNPROCESSABLE_CONTENT);
        }
    }

    @PostMapping("/devices/tokens/{id}/revoke")
    ModelAndView revoke(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    devices.revokeToken(id);
                    return "/devices";
                },
                form -> page(form, model));
    }

    @GetMapping("/audit")
    String audit(@RequestParam(defaultValue = "") String before, Model model) {
        List<AuditMapper.AuditRow> rows =
                audit.before(before.matches("\\d{1,18}") ? Long.parseLong(before) : Long.MAX_VALUE);
        model.addAttribute("rows", rows);
        model.addAttribute(
                "before", rows.isEmpty() ? 0 : rows.get(rows.size() - 1).id());
        return "people/audit";
    }

    private String page(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("devices", devices.all());
        model.addAttribute("tokens", devices.tokens());
        model.addAttribute("wanted", makers.isSignInWanted());
        model.addAttribute("network", hosts.network());
        return "people/devices";
    }
}
