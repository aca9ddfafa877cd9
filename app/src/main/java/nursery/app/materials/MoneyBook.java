package nursery.app.materials;

import java.util.Currency;
import java.util.List;
import nursery.app.materials.MoneyMapper.MoneyRow;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The shop's currency, what an hour is worth, and how a price is made of a cost. */
@Published
@Service
public class MoneyBook {

    private final MoneyMapper mapper;

    MoneyBook(MoneyMapper mapper) {
        this.mapper = mapper;
    }

    public Money ways() {
        return Once.aPage(MoneyBook.class, "ways", this::waysAfresh);
    }

    private Money waysAfresh() {
        MoneyRow row = mapper.ways();
        return new Money(
                Currency.getInstance(row.currency()),
                row.hourRate(),
                row.marginPercent(),
                row.feePercent(),
                row.feeFixed(),
                row.roundTo());
    }

    /** @throws InvalidInput if the currency changes though prices are kept in the old one */
    @Transactional
    public void save(Money money) {
        String before = mapper.ways().currency();
        String now = money.currency().getCurrencyCode();
        if (!before.equals(now) && mapper.isPriced()) {
            throw new InvalidInput(List.of(new Fault(
                    "currency",
                    "Prices are kept in %s: what was paid does not change with the currency, so it stays."
                            .formatted(before))));
        }
        money.asking();
        mapper.save(new MoneyRow(
                now, money.hourRate(), money.marginPercent(), money.feePercent(), money.feeFixed(), money.roundTo()));
    }
}
