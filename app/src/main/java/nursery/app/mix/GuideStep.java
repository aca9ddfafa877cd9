package nursery.app.mix;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import nursery.app.platform.Show;
import nursery.core.floor.Batch;
import nursery.core.resin.Mix;
import nursery.core.resin.Pace;

/**
 * A step of mixing, taken one at a time. Slow and thorough, in two cups, and a rest if that is the school, is common
 * practice (P5, P6); the minutes but for the rest are from memory.
 *
 * @param amount what the line or the scale shows when it is done, empty where nothing is measured
 * @param seconds how long it takes, 0 where no timer runs
 * @param logged what the mix keeps of it when it is touched as done; empty where that is nothing
 */
record GuideStep(String words, String amount, int seconds, Optional<Logged> logged) {

    /** A step of stirring whose end the mix keeps, because a fault may be told from it. */
    enum Logged {
        STIRRED,
        SECOND_CUP,
        RESTED;

        Optional<Instant> in(Batch.Stirring kept) {
            return switch (this) {
                case STIRRED -> kept.first();
                case SECOND_CUP -> kept.again();
                case RESTED -> kept.rested();
            };
        }
    }

    GuideStep(String words, String amount, int seconds) {
        this(words, amount, seconds, Optional.empty());
    }

    private static GuideStep logged(String words, double minutes, Logged logged) {
        return new GuideStep(words, "", seconds(minutes), Optional.of(logged));
    }

    /** A by A, B on top, filling by filling, up to marks. */
    static List<GuideStep> measuring(List<Mix> fills, Show marks) {
        return measuring(
                fills.size(),
                "up to",
                i -> marks.mark(fills.get(i).partAMl()),
                i -> marks.mark(fills.get(i).totalMl()));
    }

    /** The same on a scale that is tared with the empty cup and not in between. */
    static List<GuideStep> weighing(List<MixSheet.Grams> grams, Show show) {
        return measuring(
                grams.size(),
                "until the scale shows",
                i -> show.grams(grams.get(i).partA()),
                i -> show.grams(grams.get(i).total()));
    }

    private static List<GuideStep> measuring(
            int fillings, String until, IntFunction<String> afterA, IntFunction<String> afterB) {
        List<GuideStep> steps = new ArrayList<>();
        for (int i = 0; i < fillings; i++) {
            String filling = fillings == 1 ? "" : "Filling %d of %d: ".formatted(i + 1, fillings);
            steps.add(new GuideStep(filling + (filling.isEmpty() ? "Pour A " : "A ") + until, afterA.apply(i), 0));
            steps.add(new GuideStep(
                    filling + (filling.isEmpty() ? "Pour B on top, " : "B on top, ") + until, afterB.apply(i), 0));
        }
        return steps;
    }

    /** From the first stir until the first cup. */
    static List<GuideStep> stirring(Batch batch, boolean rests, Show show) {
        List<GuideStep> steps = new ArrayList<>(List.of(
                logged("Stir slowly, scrape sides and bottom", Pace.STIR_MIN, Logged.STIRRED),
                logged("Pour into a clean cup, stir again", Pace.STIR_AGAIN_MIN, Logged.SECOND_CUP)));
        if (rests) {
            steps.add(logged("Let it rest, or until the cup just feels warm", Pace.REST_MIN, Logged.RESTED));
        }
        batch.shares().forEach(share -> share.additions()
                .forEach(addition -> steps.add(new GuideStep(
                        addition.ml() < share.ml()
                                ? "For %s set aside and stir in %s".formatted(share.code(), addition.what())
                                : "For %s stir in %s".formatted(share.code(), addition.what()),
                        show.volume(addition.ml()),
                        60))));
        return steps;
    }

    /** How many of the steps are past, by what the mix keeps: the last one kept, and all before it. */
    static int at(List<GuideStep> steps, Batch.Stirring kept) {
        int at = 0;
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).logged().flatMap(logged -> logged.in(kept)).isPresent()) {
                at = i + 1;
            }
        }
        return at;
    }

    /** After each cup. */
    static GuideStep heatPass() {
        return new GuideStep("Heat pass, within minutes of spreading; solvents put away first", "", 180);
    }

    private static int seconds(double minutes) {
        return (int) Math.round(minutes * 60);
    }

    public int minutes() {
        return seconds / 60;
    }
}
