package nursery.app.settings;

import java.time.ZoneId;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The shop's settings. */
@Published
@Service
public class ShopBook {

    private final ShopMapper mapper;
    private final Moments moments;

    ShopBook(ShopMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
    }

    public Shop shop() {
        return mapper.find().orElseGet(() -> Shop.starting(ZoneId.systemDefault()));
    }

    public Show show() {
        return shop().show(moments.now());
    }

    @Transactional
    public void save(Shop shop) {
        mapper.save(shop);
    }
}
