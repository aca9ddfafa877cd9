package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import nursery.core.measure.Numbers;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

/** docs/surface.md shows the table as it is: it is made from it, and a change of the table changes it. */
class TableDocTest {

    private static final Path DOC = Path.of("..", "docs", "surface.md");
    private static final Path MADE = Path.of("target", "surface.md");
    private static final LabelTimes REGULAR = StartingProfile.REGULAR.label().times();
    private static final String HEAD =
            """
            # What may go on what

            What lies on a cup decides what may come next, and when. This page is made from the table in
            `nursery.core.surface` (`TableDocTest`), with the ages of the regular starting profile; a label's own
            ages override them. Each row is one kind of doing on one kind of layer that it touches, by itself;
            where several are touched, the latest "from" and the earliest "until" count. What is not listed asks
            for nothing. *Ruins* and *risks* are asked about before they are logged, *advice* is told, a *school*
            is told to who chose another. Minutes count from the end of the work that laid the layer, hours on the
            cure clock from its pour. A coat that was covered before it had gelled keeps what comes next waiting as
            if it lay bare; a scuff is advised only where nothing lies open that it would take away. P-marks, steps
            and sections are those of [practice.md](practice.md).

            """;

    private static String said(Bound bound) {
        String amount = bound.since() == Bound.Since.AGE_H
                ? Numbers.show(bound.amount(), 1) + " h"
                : Numbers.show(bound.amount(), 0) + " min";
        String when =
                switch (bound.side()) {
                    case FROM -> "from " + amount;
                    case BEST_UNTIL -> "best until " + amount;
                    case UNTIL -> "until " + amount;
                    case NEVER -> "not so";
                };
        return "| %s | %s | %s |"
                .formatted(
                        when,
                        bound.cell().grave().name().toLowerCase(Locale.ROOT),
                        bound.cell().words() + " (" + bound.cell().source() + ")");
    }

    private static String made() {
        StringBuilder text = new StringBuilder(HEAD);
        for (Meetings.Alike alike : Meetings.all(REGULAR)) {
            text.append("## ")
                    .append(alike.doings().stream().map(Doing::written).collect(Collectors.joining(", ")))
                    .append("\n\n");
            if (alike.on().isEmpty()) {
                text.append("Asks for nothing of what is touched.\n\n");
                continue;
            }
            text.append("| on | when | how grave | why |\n|---|---|---|---|\n");
            alike.on()
                    .forEach((lay, bounds) -> bounds.forEach(bound -> text.append("| ")
                            .append(lay.name().toLowerCase(Locale.ROOT).replace('_', ' '))
                            .append(' ')
                            .append(said(bound))
                            .append('\n')));
            text.append('\n');
        }
        text.append("## Every sentence\n\n| name | how grave | where practice says so | words | what mends it |\n");
        text.append("|---|---|---|---|---|\n");
        for (Cell cell : Cell.values()) {
            text.append("| %s | %s | %s | %s | %s |\n"
                    .formatted(
                            cell.name(),
                            cell.grave().name().toLowerCase(Locale.ROOT),
                            cell.source(),
                            cell.words(),
                            cell.remedy().map(Doing::written).orElse("")));
        }
        return text.toString();
    }

    @Test
    void thePageShowsTheTableAsItIs() throws IOException {
        String made = made();
        Files.writeString(MADE, made);
        assertThat(Files.exists(DOC) ? Files.readString(DOC) : "")
                .as("docs/surface.md; what it should say stands in core/target/surface.md")
                .isEqualTo(made);
    }

    @Test
    void everySentenceIsShortAndSaysWhereItIsFrom() {
        Map<Cell, String> words = new EnumMap<>(Cell.class);
        for (Cell cell : Cell.values()) {
            words.put(cell, cell.words());
            assertThat(cell.words().split(" ")).as(cell.name()).hasSizeLessThanOrEqualTo(20);
            assertThat(cell.source())
                    .as(cell.name())
                    .matches("(P\\d+|step \\d+|section \\d+|from memory|the plan)(, .*)?");
        }
        assertThat(words.values()).doesNotHaveDuplicates();
    }
}
