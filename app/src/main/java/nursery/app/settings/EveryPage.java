package nursery.app.settings;

import jakarta.servlet.http.HttpServletRequest;
import nursery.app.floor.Floors;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page needs: how the shop shows its figures, and who is at the tablet. */
@ControllerAdvice(annotations = Controller.class)
class EveryPage {

    private final Floors floors;

    EveryPage(Floors floors) {
        this.floors = floors;
    }

    @ModelAttribute("show")
    Show show() {
        return floors.show();
    }

    @ModelAttribute("maker")
    Maker maker(HttpServletRequest request) {
        return Maker.of(request);
    }
}
