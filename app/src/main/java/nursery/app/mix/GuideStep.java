package nursery.app.mix;

import java.util.ArrayList;
import java.util.List;
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
 */
record GuideStep(String words, String amount, int seconds) {

    /** A by A, B on top, filling by filling. */
    static List<GuideStep> measuring(List<Mix> fills, Show show) {
        List<GuideStep> steps = new ArrayList<>();
        for (int i = 0; i < fills.size(); i++) {
            String filling = fills.size() == 1 ? "" : "Filling %d of %d: ".formatted(i + 1, fills.size());
            steps.add(new GuideStep(
                    filling + (filling.isEmpty() ? "Pour A up to" : "A up to"),
                    show.volume(fills.get(i).partAMl()),
                    0));
            steps.add(new GuideStep(
                    filling + (filling.isEmpty() ? "Pour B on top, up to" : "B on top, up to"),
                    show.volume(fills.get(i).totalMl()),
                    0));
        }
        return steps;
    }

    /** From the first stir until the first cup. */
    static List<GuideStep> stirring(Batch batch, boolean rests, Show show) {
        List<GuideStep> steps = new ArrayList<>(List.of(
                new GuideStep("Stir slowly, scrape sides and bottom", "", seconds(Pace.STIR_MIN)),
                new GuideStep("Pour into a clean cup, stir again", "", seconds(Pace.STIR_AGAIN_MIN))));
        if (rests) {
            steps.add(new GuideStep("Let it rest, or until the cup just feels warm", "", seconds(Pace.REST_MIN)));
        }
        batch.shares().forEach(share -> share.addition()
                .ifPresent(addition -> steps.add(new GuideStep(
                        "For %s set aside and stir in %s".formatted(share.code(), addition.what()),
                        show.volume(addition.ml()),
                        60))));
        return steps;
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
