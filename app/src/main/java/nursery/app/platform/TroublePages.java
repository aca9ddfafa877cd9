package nursery.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;

@Controller
class TroublePages {

    /** Shown when a form's security token is missing or stale, for example after the cookies were cleared. */
    @RequestMapping("/stale")
    @ResponseStatus(HttpStatus.FORBIDDEN)
    String stale(HttpServletRequest request, Model model) {
        model.addAttribute("status", HttpStatus.FORBIDDEN.value());
        model.addAttribute(
                "message",
                "This page was too old to be saved, and nothing was. Go back: what you typed is still there. Reload "
                        + "the page in another tab, then send it again.");
        return "error";
    }
}
