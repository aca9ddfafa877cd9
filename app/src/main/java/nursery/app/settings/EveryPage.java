package nursery.app.settings;

import jakarta.servlet.http.HttpServletRequest;
import nursery.app.floor.Floors;
import nursery.app.people.Makers;
import nursery.app.people.Seat;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page needs: how the shop shows its figures, and who is at the tablet. */
@ControllerAdvice(annotations = Controller.class)
class EveryPage {

    private final Floors floors;
    private final Makers makers;

    EveryPage(Floors floors, Makers makers) {
        this.floors = floors;
        this.makers = makers;
    }

    /** Who acts; nobody on the pages before the door. */
    @ModelAttribute("seat")
    @Nullable
    Seat seat() {
        return makers.seat().orElse(null);
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
