package nursery.app.floor;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
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
                Optional.ofNullable(row.leftoverMl())
                        .map(thrown -> new Batch.Left(
                                thrown, Optional.ofNullable(row.asideMl()).orElse(0.0))),
                row.wasted(),
                row.byScale(),
                new Batch.Stirring(
                        Optional.ofNullable(row.stirredAt()),
                        Optional.ofNullable(row.secondCupAt()),
                        Optional.ofNullable(row.restedAt())),
                shares(rows));
    }

    /** A share has a row for each thing that is stirred into it, at least one. */
    private static List<BatchShare> shares(List<ShareRow> rows) {
        Map<String, BatchShare> shares = new LinkedHashMap<>();
        for (ShareRow row : rows) {
            if (row.cupId() == null
                    || row.code() == null
                    || row.step() == null
                    || row.shareMl() == null
                    || row.atMinute() == null) {
                continue;
            }
            List<Addition> more = row.additionMl() == null || row.addition() == null
                    ? List.of()
                    : List.of(new Addition(row.additionMl(), row.addition()));
            BatchShare share = new BatchShare(row.cupId(), row.code(), row.step(), row.shareMl(), row.atMinute(), more);
            shares.merge(
                    row.code() + " " + row.step(),
                    share,
                    (before, now) -> new BatchShare(
                            before.cupId(),
                            before.code(),
                            before.step(),
                            before.ml(),
                            before.atMinute(),
                            Stream.concat(before.additions().stream(), more.stream())
                                    .toList()));
        }
        return List.copyOf(shares.values());
    }
}
