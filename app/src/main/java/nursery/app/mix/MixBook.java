package nursery.app.mix;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.app.cups.HandsBook;
import nursery.app.cups.LogBook;
import nursery.app.cups.Reasons;
import nursery.app.floor.Floors;
import nursery.app.mix.MixMapper.NewBatchRow;
import nursery.app.mix.MixMapper.NewShareRow;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.core.floor.Batch;
import nursery.core.floor.Batch.BatchShare;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Spindle;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;
import nursery.core.resin.Addition;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Losses;
import nursery.core.resin.Mix;
import nursery.core.resin.Portion;
import nursery.core.resin.PotLife;
import nursery.core.resin.RatioCheck;
import nursery.core.resin.Remainder;
import nursery.core.resin.Resin;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Batches: started for certain coats, measured and judged, poured cup by cup into the cups' logs, closed with what was
 * left.
 */
@Service
class MixBook {

    private static final double ROUNDING_ML = 0.05;

    private final MixMapper mapper;
    private final Floors floors;
    private final LogBook log;
    private final Moments moments;
    private final StockBook stock;
    private final HandsBook hands;

    MixBook(MixMapper mapper, Floors floors, LogBook log, Moments moments, StockBook stock, HandsBook hands) {
        this.mapper = mapper;
        this.floors = floors;
        this.log = log;
        this.moments = moments;
        this.stock = stock;
        this.hands = hands;
    }

    /**
     * @return the batch's number
     * @throws InvalidInput if a coat is no longer to be poured, or someone else is mixing for it
     */
    @Transactional
    long start(MixSheet sheet, String by, Show show) {
        BatchSheet planned = sheet.sheetOrThrow();
        sheet.rows().stream().map(row -> row.candidate().code()).sorted().forEach(log::hold);
        Floor floor = floors.at(moments.now());
        for (SheetRow row : sheet.rows()) {
            refuseTaken(row.candidate(), floor, show);
        }
        long number = mapper.insertBatch(new NewBatchRow(
                sheet.resin().id(),
                sheet.cup().id(),
                sheet.resin().label().ratio().toString(),
                planned.mix().partAMl(),
                planned.mix().partBMl(),
                planned.potMinutes(),
                moments.now(),
                by,
                sheet.byScale() && !sheet.lacksDensities()));
        for (SheetRow row : sheet.rows()) {
            Portion portion = row.turn().portion();
            mapper.insertShare(new NewShareRow(
                    number,
                    row.place(),
                    row.candidate().onBench().cup().id(),
                    row.candidate().step().number(),
                    portion.ml(),
                    row.turn().atMinute()));
            for (int i = 0; i < portion.additions().size(); i++) {
                Addition addition = portion.additions().get(i);
                mapper.insertAddition(
                        new MixMapper.NewAdditionRow(number, row.place(), i, addition.ml(), addition.what()));
            }
        }
        return number;
    }

    /** A measured pair against the ratio the batch was started with. */
    RatioCheck judge(Batch batch, double partAMl, double partBMl) {
        return RatioCheck.of(resin(batch).label().at(batch.ratio()), partAMl, partBMl);
    }

    /**
     * Starts the batch's clock and takes what was measured out of the bottles.
     *
     * @throws InvalidInput if it runs already, or the pair is too far off to be used
     */
    @Transactional
    void mixed(long number, double partAMl, double partBMl, String by, Show show) {
        Batch batch = held(number);
        batch.mixedAt().ifPresent(at -> refuse("This batch was mixed at %s: its clock runs.".formatted(show.at(at))));
        RatioCheck check = judge(batch, partAMl, partBMl);
        if (check.verdict() == RatioCheck.Verdict.DO_NOT_USE) {
            refuse(check.words() + " Do not use it. While it is not stirred you can still add what is missing.");
        }
        Instant now = moments.now();
        double potMinutes = PotLife.minutes(
                resin(batch).label(), partAMl + partBMl, floors.at(now).air().temperatureC(now));
        mapper.mixed(number, partAMl, partBMl, now, potMinutes);
        stock.draw(batch.resinId(), new Mix(partAMl, partBMl), number, by);
    }

    /** Keeps when a step of stirring was done; a touch sent twice changes nothing. */
    @Transactional
    void stirred(long number, GuideStep.Logged what) {
        mapper.stirred(number, what.name(), moments.now());
    }

    /** Logs a coat of this batch on its cup. Throws what {@link LogBook#add} throws. */
    @Transactional
    void pour(long number, String code, double ml, Optional<Spindle> spindle, String by, Reasons reasons) {
        Batch batch = held(number);
        if (batch.mixedAt().isEmpty()) {
            refuse("This batch is not mixed yet: enter what you measured first.");
        }
        BatchShare share = batch.shares().stream()
                .filter(found -> found.code().equals(code))
                .findFirst()
                .orElseThrow(Gone::new);
        Instant now = moments.now();
        Mark mark = Mark.unnumbered(now, now, by, floors.show().told(share.stirredIn()));
        log.add(
                code,
                new LogEntry.Poured(
                        mark, share.step(), ml, spindle, Optional.of(Pot.of(resin(batch), OptionalLong.of(number)))),
                reasons);
    }

    /**
     * @param left what was left and said where it went
     * @param rest whether the maker says that all else stayed on cups, sticks and gloves
     * @throws InvalidInput if more is left than there was, or so much is told of nowhere that it is asked about
     */
    @Transactional
    void close(long number, Batch.Left left, boolean rest) {
        Batch batch = held(number);
        Remainder remainder = remainder(batch);
        double hadMl = remainder.hadMl();
        if (!(left.thrownMl() >= 0 && left.asideMl() >= 0 && left.totalMl() <= hadMl + ROUNDING_ML)) {
            throw new InvalidInput(List.of(new Fault(
                    "leftover",
                    batch.actual().isEmpty()
                            ? "Nothing is mixed, so nothing can be left: leave it empty, or say below what was "
                                    + "thrown away."
                            : "%s ml cannot be left: what was mixed, less what went on the cups, is %s ml."
                                    .formatted(Numbers.show(left.totalMl(), 1), Numbers.show(hadMl, 1)))));
        }
        if (!rest && remainder.isMissing(left.totalMl())) {
            throw new InvalidInput(List.of(new Fault(
                    "rest",
                    "%s ml of it did not go on a cup. Say how much you threw away or put aside."
                            .formatted(Numbers.show(hadMl - left.totalMl(), 1)))));
        }
        mapper.close(number, moments.now(), left.thrownMl(), left.asideMl());
        hands.mixDone(number, batch.startedAt());
    }

    /** What of a batch is on no cup. */
    Remainder remainder(Batch batch) {
        Floor floor = floors.now();
        double pouredMl = mapper.pouredMl(batch.number());
        double toPourMl = batch.shares().stream()
                .filter(share -> floor.toPour(share).isPresent())
                .mapToDouble(BatchShare::ml)
                .sum();
        double cupMl = floor.shelf().measuringCups().stream()
                .filter(found -> found.id() == batch.measuringCupId())
                .mapToDouble(found -> found.cup().capacityMl())
                .findFirst()
                .orElse(Double.POSITIVE_INFINITY);
        double mixedMl = batch.actual().map(Mix::totalMl).orElse(0.0);
        Losses losses = floor.ways().losses();
        return new Remainder(
                mixedMl, pouredMl, toPourMl, losses.of(batch.shares().size(), (int) Math.ceil(mixedMl / cupMl)));
    }

    /**
     * Coats that what is over of a mix would do for: due, of the same resin, with a place to turn, in no mix yet; the
     * one whose window closes first before the others. None once the mix is off.
     */
    List<Candidate> othersFor(Batch batch) {
        Floor floor = floors.now();
        boolean isUsable = batch.isOpen()
                && batch.offAt().filter(off -> off.isAfter(floor.now())).isPresent();
        if (!isUsable) {
            return List.of();
        }
        double spareMl = remainder(batch).spareMl();
        List<CupNow> due = floor.coatsDue();
        return Candidate.among(floor).stream()
                .filter(candidate -> candidate.resin().id() == batch.resinId()
                        && due.contains(candidate.onBench())
                        && candidate.share().suggestedMl() <= spareMl
                        && floor.placing(List.of(candidate.onBench())).waiting().isEmpty())
                .toList();
    }

    /**
     * Takes one of {@link #othersFor} into a mix that is poured already.
     *
     * @throws InvalidInput if it is none of them any more
     */
    @Transactional
    void join(long number, String code) {
        Batch batch = held(number);
        log.hold(code);
        Candidate other = othersFor(batch).stream()
                .filter(candidate -> candidate.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new InvalidInput(List.of(
                        new Fault("batch", "What is over of this mix does not do for %s any more.".formatted(code)))));
        Instant since = batch.mixedAt().orElseThrow();
        mapper.insertShare(new NewShareRow(
                number,
                batch.shares().size() + 1,
                other.onBench().cup().id(),
                other.step().number(),
                other.share().suggestedMl(),
                Duration.between(since, moments.now()).toSeconds() / 60.0));
    }

    /**
     * Gives up a batch that was measured but never mixed: the bottles are emptier all the same.
     *
     * @throws InvalidInput if it is mixed, or that is no amount
     */
    @Transactional
    void throwAway(long number, double partAMl, double partBMl, String by) {
        Batch batch = held(number);
        if (batch.mixedAt().isPresent()) {
            refuse("This batch is mixed: close it with what is left in the pot.");
        }
        Faults faults = new Faults();
        faults.within("wasteA", "A thrown away", partAMl, 0, Mix.MAX_TOTAL_ML, "ml");
        faults.within("wasteB", "B thrown away", partBMl, 0, Mix.MAX_TOTAL_ML, "ml");
        faults.throwIfAny();
        mapper.waste(number, moments.now(), partAMl, partBMl);
        stock.draw(batch.resinId(), new Mix(partAMl, partBMl), number, by);
    }

    /** What stayed on mixing cups, sticks and gloves: mixed, less what went on cups and what was left. */
    Optional<Double> lostMl(Batch batch) {
        return batch.wasted() || batch.isOpen()
                ? Optional.empty()
                : batch.actual()
                        .map(actual -> Math.max(
                                0,
                                actual.totalMl()
                                        - mapper.pouredMl(batch.number())
                                        - batch.left().map(Batch.Left::totalMl).orElse(0.0)));
    }

    Resin resin(Batch batch) {
        return floors.shelf().resin(batch.resinId()).orElseThrow(Gone::new);
    }

    private Batch held(long number) {
        mapper.lock(number).orElseThrow(Gone::new);
        Batch batch = floors.batch(number).orElseThrow(Gone::new);
        if (!batch.isOpen()) {
            refuse("This batch is closed.");
        }
        return batch;
    }

    private void refuseTaken(Candidate candidate, Floor floor, Show show) {
        boolean stillNext = floor.find(candidate.code())
                .flatMap(now -> now.state().next())
                .filter(next -> next.step().number() == candidate.step().number())
                .isPresent();
        if (!stillNext) {
            refuse("%s: %s is logged already."
                    .formatted(candidate.code(), candidate.step().title()));
        }
        mapper.openFor(candidate.onBench().cup().id(), candidate.step().number())
                .ifPresent(other ->
                        refuse("%s: %s started mixing for this coat at %s, mix %d. Join that one, or close it first."
                                .formatted(
                                        candidate.code(), other.startedBy(), show.at(other.startedAt()), other.id())));
    }

    private static void refuse(String message) {
        throw new InvalidInput(List.of(new Fault("batch", message)));
    }
}
