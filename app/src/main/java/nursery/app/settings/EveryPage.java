package nursery.app.settings;

import jakarta.servlet.http.HttpServletRequest;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page needs: how the shop shows its figures, and who is at the tablet. */
@ControllerAdvice(annotations = Controller.class)
class EveryPage {

    private final ShopBook shops;

    EveryPage(ShopBook shops) {
        this.shops = shops;
    }

    @ModelAttribute("show")
    Show show() {
        return shops.show();
    }

    @ModelAttribute("maker")
    Maker maker(HttpServletRequest request) {
        return Maker.of(request);
    }
}
