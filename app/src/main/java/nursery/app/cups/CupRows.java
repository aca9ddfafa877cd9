package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.core.cure.Touch;
import nursery.core.film.CoatRole;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Spindle;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.jspecify.annotations.Nullable;

/** Cups, steps and log entries as the tables keep them. */
final class CupRows {

    private CupRows() {}

    record CupRow(@Nullable Long id, String code, String name, String madeFor, long blankId, long baseResinId, long lastResinId,
            @Nullable LocalDate dueOn, String paintColour, String glitterColour, String schools, String technique, Instant startedAt, int matters) {}

    record StepRow(long cupId, int number, int position, String kind, String title, String waitKind, double waitAmount, @Nullable Double waitFast, String detail, @Nullable String role,
            String material, @Nullable Double widthMm, @Nullable Double heightMm, String grit) {

        static StepRow of(long cupId, int position, PlanStep step) {
            Wait waiting = step.waiting();
            return new StepRow(cupId, step.number(), position, step.kind().name(), step.title(), waiting.getClass().getSimpleName(), amountOf(waiting), waiting instanceof Wait.Age age ? age.fastHours() : null,
                    step.detail(), step.role().map(CoatRole::name).orElse(null), step.material().name(), step.size().map(DecalSize::widthMm).orElse(null), step.size().map(DecalSize::heightMm).orElse(null), step.grit());
        }

        PlanStep step() {
            Optional<DecalSize> size = widthMm == null || heightMm == null ? Optional.empty() : Optional.of(new DecalSize(widthMm, heightMm));
            return new PlanStep(number, StepKind.valueOf(kind), title, waiting(), detail, Optional.ofNullable(role).map(CoatRole::valueOf), Material.valueOf(material), size, grit);
        }

        /** Minutes for a wait on the wall clock, hours for one on the cure clock, else 0. */
        private static double amountOf(Wait waiting) {
            if (waiting instanceof Wait.Dry dry) {
                return dry.atLeast().toMinutes();
            }
            if (waiting instanceof Wait.Settle settle) {
                return settle.atLeast().toMinutes();
            }
            if (waiting instanceof Wait.Into into) {
                return into.atLeast().toMinutes();
            }
            return waiting instanceof Wait.Age age ? age.hours() : 0;
        }

        private Wait waiting() {
            Duration minutes = Duration.ofMinutes((long) waitAmount);
            return switch (waitKind) {
                case "None" -> new Wait.None();
                case "Dry" -> new Wait.Dry(minutes);
                case "Settle" -> new Wait.Settle(minutes);
                case "Into" -> new Wait.Into(minutes);
                case "Age" -> new Wait.Age(waitAmount, waitFast == null ? waitAmount : waitFast);
                case "StraightOn" -> new Wait.StraightOn();
                case "Sandable" -> new Wait.Sandable();
                case "Cured" -> new Wait.Cured();
                default -> throw new IllegalStateException("Unknown wait " + waitKind);
            };
        }
    }

    record EntryRow(@Nullable Long id, long cupId, String kind, @Nullable Integer step, @Nullable Double amountMl, @Nullable Long spindleId,
            @Nullable String spindleName, @Nullable Long cancelsId, @Nullable Long batchId, @Nullable String touch, Instant happenedAt, Instant recordedAt, String recordedBy, String note) {

        static EntryRow of(long cupId, LogEntry entry) {
            Mark mark = entry.mark();
            if (entry instanceof LogEntry.Poured pour) {
                return row(cupId, "POURED", pour.step(), pour.amountMl(), pour.spindle().map(Spindle::id).orElse(null), null, pour.batch().isPresent() ? pour.batch().getAsLong() : null, mark);
            }
            if (entry instanceof LogEntry.StepDone done) {
                return row(cupId, "DONE", done.step(), null, null, null, null, mark);
            }
            if (entry instanceof LogEntry.Cancelled cancelled) {
                return row(cupId, "CANCELLED", null, null, null, cancelled.cancelsId(), null, mark);
            }
            if (entry instanceof LogEntry.Skipped skipped) {
                return row(cupId, "SKIPPED", skipped.step(), null, null, null, null, mark);
            }
            if (entry instanceof LogEntry.Touched touched) {
                return new EntryRow(null, cupId, "TOUCHED", null, null, null, null, null, null, touched.touch().name(), mark.happenedAt(), mark.recordedAt(), mark.recordedBy(), mark.note());
            }
            return row(cupId, plainKind(entry), null, null, null, null, null, mark);
        }

        /** The kinds that carry nothing but their mark. */
        private static String plainKind(LogEntry entry) {
            if (entry instanceof LogEntry.Scuffed) {
                return "SCUFFED";
            }
            if (entry instanceof LogEntry.FaultsSeen) {
                return "FAULTS_SEEN";
            }
            if (entry instanceof LogEntry.HandedOver) {
                return "HANDED_OVER";
            }
            return entry instanceof LogEntry.TakenOff ? "TAKEN_OFF" : "NOTED";
        }

        private static EntryRow row(long cupId, String kind, @Nullable Integer step, @Nullable Double amountMl, @Nullable Long spindleId,
                @Nullable Long cancelsId, @Nullable Long batchId, Mark mark) {
            return new EntryRow(null, cupId, kind, step, amountMl, spindleId, null, cancelsId, batchId, null, mark.happenedAt(), mark.recordedAt(),
                    mark.recordedBy(), mark.note());
        }

        LogEntry entry() {
            Mark mark = new Mark(id == null ? 0 : id, happenedAt, recordedAt, recordedBy, note);
            return switch (kind) {
                case "POURED" -> new LogEntry.Poured(mark, needed(step), needed(amountMl),
                        spindleId == null || spindleName == null ? Optional.empty() : Optional.of(new Spindle(spindleId, spindleName)),
                        batchId == null ? OptionalLong.empty() : OptionalLong.of(batchId));
                case "DONE" -> new LogEntry.StepDone(mark, needed(step));
                case "CANCELLED" -> new LogEntry.Cancelled(mark, needed(cancelsId));
                case "TOUCHED" -> new LogEntry.Touched(mark, Touch.valueOf(needed(touch)));
                case "SKIPPED" -> new LogEntry.Skipped(mark, needed(step));
                case "FAULTS_SEEN" -> new LogEntry.FaultsSeen(mark);
                case "HANDED_OVER" -> new LogEntry.HandedOver(mark);
                case "SCUFFED" -> new LogEntry.Scuffed(mark);
                case "TAKEN_OFF" -> new LogEntry.TakenOff(mark);
                case "NOTED" -> new LogEntry.Noted(mark);
                default -> throw new IllegalStateException("Unknown entry " + kind);
            };
        }

        private static <T> T needed(@Nullable T value) {
            return Optional.ofNullable(value).orElseThrow(() -> new IllegalStateException("A log entry lacks what its kind needs."));
        }
    }
}
