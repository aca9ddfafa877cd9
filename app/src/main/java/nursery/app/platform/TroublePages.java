package nursery.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.multipart.MaxUploadSizeExceededException;

@Controller
@ControllerAdvice
class TroublePages {

    /** A file larger than is ever read. */
    @ExceptionHandler(MaxUploadSizeExceededException.class)
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    String tooLarge(Model model) {
        model.addAttribute("status", HttpStatus.CONTENT_TOO_LARGE.value());
        model.addAttribute("message", "That file is larger than 25 MB and nothing of it was read. Go back and split it, or leave out the columns that are not needed.");
        return "error";
    }

    /** Shown when a form's security token is missing or stale, for example after the cookies were cleared. */
    @RequestMapping("/stale")
    @ResponseStatus(HttpStatus.FORBIDDEN)
    String stale(HttpServletRequest request, Model model) {
        model.addAttribute("status", HttpStatus.FORBIDDEN.value());
        model.addAttribute("message", "This page was too old to be saved, and nothing was. Go back: what you typed is still there. Reload the page in another tab, then send it again.");
        return "error";
    }
}
