package nursery.app.mix;

import java.util.ArrayList;
import java.util.List;

/**
 * A step of mixing with its own timer. Slow and thorough, in two cups, and a rest if that is the school, is common practice (P5,
 * P6); the minutes but for the rest are from memory.
 */
record StirStep(String words, int seconds) {

    static List<StirStep> of(boolean rests) {
        List<StirStep> steps = new ArrayList<>(List.of(new StirStep("Stir slowly, scrape sides and bottom", 120),
                new StirStep("Pour into a clean cup, stir again", 60)));
        if (rests) {
            steps.add(new StirStep("Let it rest, or until the cup just feels warm", 300));
        }
        steps.add(new StirStep("Heat pass, within minutes of spreading; solvents put away first", 180));
        return steps;
    }

    public int minutes() {
        return seconds / 60;
    }
}
