package nursery.app.mix;

import java.time.Instant;
import java.util.OptionalLong;
import nursery.app.cups.Pots;
import nursery.app.floor.Floors;
import nursery.app.mix.MixMapper.NewBatchRow;
import nursery.app.mix.MixMapper.NewShareRow;
import nursery.app.shelf.StockBook;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.Pot;
import nursery.core.resin.Mix;
import nursery.core.resin.PotLife;
import nursery.core.resin.Resin;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Mixes nobody opened here when they were made: measured, poured and closed with one entry, as long ago as that. */
@Component
class LatePots implements Pots {

    private final MixMapper mapper;
    private final Floors floors;
    private final StockBook stock;

    LatePots(MixMapper mapper, Floors floors, StockBook stock) {
        this.mapper = mapper;
        this.floors = floors;
        this.stock = stock;
    }

    @Override
    @Transactional
    public Poured measured(Cup cup, Poured pour, Mix pair, boolean byScale) {
        Pot pot = pour.pot().orElseThrow();
        Resin resin = pot.resin();
        Instant at = pour.mark().happenedAt();
        String by = pour.mark().recordedBy();
        double potMinutes = PotLife.minutes(
                resin.label(), pair.totalMl(), floors.now().air().temperatureC(at));
        long number = mapper.insertBatch(new NewBatchRow(
                resin.id(),
                floors.shelf().measuringCupAtHand().id(),
                resin.label().ratio().toString(),
                pair.partAMl(),
                pair.partBMl(),
                potMinutes,
                at,
                by,
                byScale));
        mapper.insertShare(new NewShareRow(number, 0, cup.id(), pour.step(), pour.amountMl(), 0));
        mapper.mixed(number, pair.partAMl(), pair.partBMl(), at, potMinutes);
        stock.draw(resin.id(), pair, number, by);
        mapper.close(number, at, Math.max(0, pair.totalMl() - pour.amountMl()), 0);
        return pour.from(new Pot(resin, pot.edition(), OptionalLong.of(number))
                .measured(resin.label().ratio(), pair.partAMl(), pair.partBMl()));
    }
}
