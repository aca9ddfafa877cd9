package nursery.app.mix;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.cups.CupBook;
import nursery.app.cups.CupOnBench;
import nursery.app.cups.Happening;
import nursery.app.cups.Happening.Kind;
import nursery.app.cups.LogBook;
import nursery.app.mix.Batch.BatchShare;
import nursery.app.mix.MixMapper.BatchRow;
import nursery.app.mix.MixMapper.ShareRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfResin;
import nursery.core.log.Spindle;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Label;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.PotLife;
import nursery.core.resin.RatioCheck;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Batches: started for certain coats, measured and judged, poured cup by cup into the cups' logs, closed with what was left. */
@Service
class MixBook {

    private final MixMapper mapper;
    private final CupBook cups;
    private final LogBook log;
    private final Shelf shelf;
    private final RoomBook room;
    private final Moments moments;

    MixBook(MixMapper mapper, CupBook cups, LogBook log, Shelf shelf, RoomBook room, Moments moments) {
        this.mapper = mapper;
        this.cups = cups;
        this.log = log;
        this.shelf = shelf;
        this.room = room;
        this.moments = moments;
    }

    @Transactional(readOnly = true)
    Optional<Batch> batch(long number) {
        Map<Long, CupOnBench> byId = cups.all().stream().collect(Collectors.toMap(cup -> cup.cup().id(), Function.identity()));
        return mapper.batch(number).map(row -> batch(row, byId));
    }

    @Transactional(readOnly = true)
    List<Batch> open() {
        Map<Long, CupOnBench> byId = cups.all().stream().collect(Collectors.toMap(cup -> cup.cup().id(), Function.identity()));
        return mapper.open().stream().map(row -> batch(row, byId)).toList();
    }

    /**
     * @return the batch's number
     * @throws InvalidInput if a coat is no longer to be poured, or someone else is mixing for it
     */
    @Transactional
    long start(MixSheet sheet, String by, Show show) {
        BatchSheet planned = sheet.sheetOrThrow();
        sheet.rows().stream().map(row -> row.candidate().code()).sorted().forEach(log::hold);
        for (SheetRow row : sheet.rows()) {
            refuseTaken(row.candidate(), show);
        }
        mapper.insertBatch(new BatchRow(null, sheet.resin().id(), sheet.cup().id(), sheet.resin().label().ratio().toString(), planned.mix().partAMl(),
                planned.mix().partBMl(), planned.potMinutes(), moments.now(), by, null, null, null, null, null));
        long number = mapper.lastId();
        for (SheetRow row : sheet.rows()) {
            mapper.insertShare(new ShareRow(number, row.place(), row.candidate().onBench().cup().id(), row.candidate().step().number(), row.turn().portion().ml()));
        }
        return number;
    }

    /** A measured pair against the ratio the batch was started with. */
    RatioCheck judge(Batch batch, double partAMl, double partBMl) {
        Label label = resin(batch).label();
        return RatioCheck.of(new Label(batch.ratio(), label.times(), label.referenceC(), label.activationKjPerMol(), label.densities(), label.viscosityPaS(),
                label.potLifeMin(), label.tolerancePercent()), partAMl, partBMl);
    }

    /**
     * Starts the batch's clock.
     *
     * @throws InvalidInput if it runs already, or the pair is too far off to be used
     */
    @Transactional
    void mixed(long number, double partAMl, double partBMl, Show show) {
        Batch batch = held(number);
        batch.mixedAt().ifPresent(at -> refuse("This batch was mixed at %s: its clock runs.".formatted(show.at(at))));
        RatioCheck check = judge(batch, partAMl, partBMl);
        if (check.verdict() == RatioCheck.Verdict.DO_NOT_USE) {
            refuse(check.words() + " Do not use it. While it is not stirred you can still add what is missing.");
        }
        Instant now = moments.now();
        double potMinutes = PotLife.minutes(resin(batch).label(), partAMl + partBMl, room.temperatureC(now));
        mapper.mixed(number, partAMl, partBMl, now, potMinutes);
    }

    /** Logs a coat of this batch on its cup. Throws what {@link LogBook#add} throws. */
    @Transactional
    void pour(long number, String code, double ml, Optional<Spindle> spindle, String by, boolean confirmed) {
        Batch batch = held(number);
        if (batch.mixedAt().isEmpty()) {
            refuse("This batch is not mixed yet: enter what you measured first.");
        }
        BatchShare share = batch.shares().stream().filter(found -> found.code().equals(code)).findFirst().orElseThrow();
        log.add(code, new Happening(Kind.POURED, share.step(), moments.now(), ml, spindle, by, "", OptionalLong.of(number)), confirmed);
    }

    /** @throws InvalidInput if more is left than there was */
    @Transactional
    void close(long number, double leftoverMl) {
        Batch batch = held(number);
        double had = batch.actual().orElse(batch.planned()).totalMl();
        if (!(leftoverMl >= 0 && leftoverMl <= had)) {
            throw new InvalidInput(List.of(new Fault("leftover", "%s ml cannot be left of %s ml.".formatted(Numbers.show(leftoverMl), Numbers.show(had)))));
        }
        mapper.close(number, moments.now(), leftoverMl);
    }

    ShelfResin resin(Batch batch) {
        return shelf.resin(batch.resinId()).orElseThrow();
    }

    private Batch held(long number) {
        mapper.lock(number).orElseThrow();
        Batch batch = batch(number).orElseThrow();
        if (!batch.isOpen()) {
            refuse("This batch is closed.");
        }
        return batch;
    }

    private void refuseTaken(Candidate candidate, Show show) {
        CupOnBench now = cups.cup(candidate.code()).orElseThrow();
        boolean stillNext = now.state().next().filter(next -> next.step().number() == candidate.step().number()).isPresent();
        if (!stillNext) {
            refuse("%s: %s is logged already.".formatted(candidate.code(), candidate.step().kind().title()));
        }
        mapper.openFor(candidate.onBench().cup().id(), candidate.step().number()).ifPresent(other -> refuse(
                "%s: %s started mixing for this coat at %s, mix %d. Join that one, or close it first.".formatted(candidate.code(), other.startedBy(), show.at(other.startedAt()), other.id())));
    }

    private static void refuse(String message) {
        throw new InvalidInput(List.of(new Fault("batch", message)));
    }

    private Batch batch(BatchRow row, Map<Long, CupOnBench> byId) {
        long number = row.id() == null ? 0 : row.id();
        List<BatchShare> shares = mapper.shares(number).stream()
                .map(share -> new BatchShare(share.cupId(), Optional.ofNullable(byId.get(share.cupId())).orElseThrow().cup().code(), share.step(), share.shareMl())).toList();
        Optional<Mix> actual = row.actualAMl() == null || row.actualBMl() == null ? Optional.empty() : Optional.of(new Mix(row.actualAMl(), row.actualBMl()));
        return new Batch(number, row.resinId(), row.cupId(), MixRatio.parse(row.ratio()), new Mix(row.plannedAMl(), row.plannedBMl()), row.potMinutes(), row.startedAt(),
                row.startedBy(), actual, Optional.ofNullable(row.mixedAt()), Optional.ofNullable(row.closedAt()), Optional.ofNullable(row.leftoverMl()), shares);
    }
}
