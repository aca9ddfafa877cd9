package nursery.core.surface;

import static java.util.Map.entry;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Rule;
import nursery.core.technique.RuleTest;
import org.junit.jupiter.api.Test;

/**
 * The table beside the old rules, over every plan that breaks one of them or keeps it. What they disagree about is
 * listed with the reason, in surface-disagreements.txt; one that is not listed fails.
 */
class DisagreementTest {

    private static final Path LISTED = Path.of("src", "test", "resources", "surface-disagreements.txt");
    private static final Path FOUND = Path.of("target", "surface-disagreements.txt");
    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Blank MUG = new Blank(new Straight(118, 262), true, 5, 0, 34, OptionalDouble.of(16));

    /** What says the same. Rules of a decal's size are none of the surface's. */
    private static final Map<Rule, Set<Cell>> SAME = Map.ofEntries(
            entry(Rule.TACK_WINDOW, EnumSet.of(Cell.GRIP_WEAK, Cell.MAY_PEEL)),
            entry(Rule.GRIP_FADING, EnumSet.of(Cell.GRIP_FADES)),
            entry(Rule.COAT_TOO_SOON, EnumSet.of(Cell.COAT_WET)),
            entry(Rule.SAND_TOO_SOON, EnumSet.of(Cell.NOT_SANDABLE)),
            entry(Rule.SAND_TEXTURE, EnumSet.of(Cell.STILL_ROUGH)),
            entry(Rule.SAND_UNDER_SLIDE, EnumSet.of(Cell.SLIDE_ON_SCRATCHES)),
            entry(Rule.SAND_UNDER_PAINT, EnumSet.of(Cell.DUST_LEFT, Cell.SCRATCHES_SHOW)),
            entry(Rule.SAND_LAST_COAT, EnumSet.of(Cell.LAST_SANDED)),
            entry(Rule.STENCIL_PERMANENT, EnumSet.of(Cell.STENCIL_PERMANENT)),
            entry(Rule.INK_NOT_DRY, EnumSet.of(Cell.INK_WET, Cell.INK_UNDER_VINYL)),
            entry(Rule.SLIDE_NOT_DRY, EnumSet.of(Cell.SLIDE_WET)),
            entry(Rule.SLIDE_UNCOATED, EnumSet.of(Cell.SLIDE_OPEN)),
            entry(Rule.COAT_STILL_WET, EnumSet.of(Cell.COAT_RUNS)),
            entry(Rule.SOLVENT_NOT_GONE, EnumSet.of(Cell.SOLVENT_WET)),
            entry(Rule.INK_UNSEALED, EnumSet.of(Cell.INK_OPEN)),
            entry(Rule.SOOT_UNSEALED, EnumSet.of(Cell.SOOT_OPEN)),
            entry(Rule.FLAKES_UNSEALED, EnumSet.of(Cell.FLAKES_OPEN)),
            entry(Rule.SOAP_NOT_RINSED, EnumSet.of(Cell.SOAP_ON)),
            entry(Rule.METALLIC_UNSEALED, EnumSet.of(Cell.METALLIC_OPEN)),
            entry(Rule.FAST_RESIN, EnumSet.of(Cell.INK_AND_FAST)),
            entry(Rule.ADHESIVE_NOT_SET, EnumSet.of(Cell.FILM_NOT_SET)),
            entry(Rule.GLUE_NOT_DRY, EnumSet.of(Cell.GLUE_WET, Cell.SEALER_WET)),
            entry(Rule.PAINT_NOT_DRY, EnumSet.of(Cell.PAINT_WET)),
            entry(Rule.HOT_INK, EnumSet.of(Cell.INK_ON_HOT)),
            entry(Rule.TAPE_PAST_GEL, EnumSet.of(Cell.TAPE_PAST_GEL)),
            entry(Rule.POLISH_TOO_SOON, EnumSet.of(Cell.NOT_CURED)),
            entry(Rule.POLISH_ON_FAULTS, EnumSet.of(Cell.NOT_INSPECTED)),
            entry(Rule.FLAME_WITH_SOLVENT, EnumSet.of(Cell.VAPOUR)),
            entry(Rule.FINISH_TOO_SOON, EnumSet.of(Cell.TAKES_PRINTS)));

    private static Timeline clock(List<PlanStep> plan, List<Double> hours) {
        return new Timeline() {
            @Override
            public double begun(int work, double minutes) {
                return 60 * hours.get(work - 1) + minutes;
            }

            @Override
            public double ended(int work, double minutes) {
                return work == 0 ? 0 : begun(work, minutes + plan.get(work - 1).handsOnMinutes());
            }

            @Override
            public double age(int pour, double age) {
                return begun(pour, 60 * age);
            }
        };
    }

    private static void compare(String name, List<PlanStep> plan, List<String> disagreements) {
        List<Double> hours = Judgement.earliestHours(plan, REGULAR, REGULAR, MUG);
        List<Judgement.Finding> findings = Judgement.of(plan, REGULAR, REGULAR, MUG);
        Timeline clock = clock(plan, hours);
        // Whether steel was scuffed was no question before: on a coat of powder it is none.
        Surface surface = Surface.of(true);
        for (int i = 0; i < plan.size(); i++) {
            Work work = Words.work(i + 1, plan.get(i), REGULAR.times(), surface);
            List<Work> later = new ArrayList<>();
            for (int j = i + 1; j < plan.size(); j++) {
                later.add(Words.work(j + 1, plan.get(j), REGULAR.times(), surface));
            }
            // To the second, as the old rules judge to half a minute.
            double now = 60 * hours.get(i) + 0.01;
            Set<Cell> told = EnumSet.noneOf(Cell.class);
            Table.bounds(work, surface, later).stream()
                    .filter(bound -> Opening.isBroken(bound, now, clock))
                    .forEach(bound -> told.add(bound.cell()));
            String step = "%s, %d %s".formatted(name, i + 1, plan.get(i).kind().written());
            for (Judgement.Finding finding : findings) {
                Set<Cell> same = SAME.getOrDefault(finding.rule(), Set.of());
                if (finding.place() == i && !same.isEmpty() && !told.removeAll(same)) {
                    disagreements.add(step + " | only before | " + finding.rule());
                }
            }
            told.forEach(cell -> disagreements.add(step + " | only now | " + cell));
            surface = surface.after(work);
        }
    }

    @Test
    @SuppressWarnings("unchecked")
    void whatTheTableSaysOtherwiseIsListedWithItsReason() throws IOException {
        List<String> found = new ArrayList<>();
        List<Object[]> plans = RuleTest.plans().map(one -> one.get()).toList();
        for (int i = 0; i < plans.size(); i++) {
            for (int side = 1; side <= 2; side++) {
                List<PlanStep> numbered = new ArrayList<>();
                ((List<PlanStep>) plans.get(i)[side]).forEach(step -> numbered.add(step.numbered(numbered.size() + 1)));
                compare("%02d %s %s".formatted(i + 1, plans.get(i)[0], side == 1 ? "broken" : "kept"), numbered, found);
            }
        }
        Files.write(FOUND, found);
        List<String> listed = Files.readAllLines(LISTED).stream()
                .filter(line -> !line.startsWith("#"))
                .toList();
        assertThat(listed).allMatch(line -> line.matches(".+ \\| .+ \\| .+ \\| \\S.*"), "says why");
        assertThat(found)
                .as("as in %s; those found stand in %s".formatted(LISTED, FOUND))
                .containsExactlyElementsOf(listed.stream()
                        .map(line -> line.substring(0, line.lastIndexOf(" | ")))
                        .toList());
    }
}
