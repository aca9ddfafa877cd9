package nursery.app.floor;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.FloorMapper.ShareRow;
import nursery.core.floor.Batch;
import nursery.core.floor.Batch.BatchShare;
import nursery.core.resin.Addition;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;

/** Mixes out of their rows, one for each share. */
final class Batches {

    private Batches() {}

    static List<Batch> of(List<ShareRow> rows) {
        Map<Long, List<ShareRow>> byNumber = new LinkedHashMap<>();
        rows.forEach(row ->
                byNumber.computeIfAbsent(row.id(), id -> new ArrayList<>()).add(row));
        return byNumber.values().stream().map(Batches::batch).toList();
    }

    private static Batch batch(List<ShareRow> rows) {
        ShareRow row = rows.get(0);
        Optional<Mix> actual = row.actualAMl() == null || row.actualBMl() == null
                ? Optional.empty()
                : Optional.of(new Mix(row.actualAMl(), row.actualBMl()));
        return new Batch(
                row.id(),
                row.resinId(),
                row.measuringCupId(),
                MixRatio.parse(row.ratio()),
                new Mix(row.plannedAMl(), row.plannedBMl()),
                row.potMinutes(),
                row.startedAt(),
                row.startedBy(),
                actual,
                Optional.ofNullable(row.mixedAt()),
                Optional.ofNullable(row.closedAt()),
                Optional.ofNullable(row.leftoverMl()),
                row.wasted(),
                row.byScale(),
                rows.stream().flatMap(share -> share(share).stream()).toList());
    }

    private static Optional<BatchShare> share(ShareRow row) {
        if (row.cupId() == null
                || row.code() == null
                || row.step() == null
                || row.shareMl() == null
                || row.atMinute() == null) {
            return Optional.empty();
        }
        Optional<Addition> addition = row.additionMl() == null || row.addition() == null
                ? Optional.empty()
                : Optional.of(new Addition(row.additionMl(), row.addition()));
        return Optional.of(
                new BatchShare(row.cupId(), row.code(), row.step(), row.shareMl(), row.atMinute(), addition));
    }
}
