package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import nursery.app.cups.LogBook;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.Stores;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.inspect.CupFaults;
import nursery.core.log.Blemish;
import nursery.core.log.Extent;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.FaultsSeen;
import nursery.core.log.Mark;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** The log says what happened: when it happened, all of it, and why. */
class TruthTest extends CupForms {

    /** Local time of the shop in Berlin, as a time input has it. */
    private static String at(Instant moment) {
        return moment.atZone(java.time.ZoneId.of("Europe/Berlin"))
                .toLocalDateTime()
                .toString()
                .substring(0, 16);
    }

    private static Instant now() {
        return shop.clock().instant();
    }

    private static Instant ago(double hours) {
        return now().minus(Duration.ofMinutes(Math.round(60 * hours)));
    }

    private static LogEntry newest(String code, LogEntry.Kind kind) {
        return shop.cup(code).cup().happened().stream()
                .filter(entry -> entry.kind() == kind)
                .reduce((a, b) -> b)
                .orElseThrow();
    }

    private static void ok(MvcTestResult result) {
        assertThat(result).hasStatus(302);
    }

    private static String flooded() {
        String code = startCup();
        upToFlood(code);
        ok(tablet.send("/cups/" + code + "/log", pour(5, "23", turning())));
        return code;
    }

    private static void correct(String code, long entry, String... changed) {
        Map<String, String> typed = typed(changed);
        typed.put("instead", "this");
        ok(tablet.send("/cups/" + code + "/entries/" + entry, typed));
    }

    // 1. Everything has a time.

    @Test
    void aSightingHasItsOwnTimeAndRefusesNothingThatCameBefore() {
        String code = flooded();
        forward(10);
        ok(tablet.send(
                "/cups/" + code + "/fault",
                typed("seen-HAZE", "on", "zone", "all", "extent", "some", "when", "at", "at", at(ago(8)))));
        assertThat(newest(code, LogEntry.Kind.FAULTS_SEEN).mark().happenedAt())
                .isEqualTo(ago(8).truncatedTo(java.time.temporal.ChronoUnit.MINUTES));
        // A coat of four hours ago, written down only now, lies after it.
        Map<String, String> coat = pour(6, "20", turning());
        coat.put("when", "at");
        coat.put("at", at(ago(4)));
        ok(tablet.send("/cups/" + code + "/log", coat));
        // And a sighting from between may be written down after that coat.
        ok(tablet.send(
                "/cups/" + code + "/fault",
                typed("seen-DUST", "on", "zone", "rim", "extent", "some", "when", "at", "at", at(ago(6)))));
        assertThat(CupFaults.on(shop.cup(code))).isEmpty();
        MvcTestResult early = tablet.send(
                "/cups/" + code + "/fault",
                typed("seen-HAZE", "on", "zone", "all", "extent", "some", "when", "at", "at", at(ago(14.5))));
        assertThat(text(early)).contains("No coat was on this cup then");
    }

    @Test
    void yesterdaysWorkBeginsACupTakenUpToday() {
        String code = startCup();
        ok(tablet.send("/cups/" + code + "/log", typed("what", "DONE", "step", "1", "when", "at", "at", at(ago(20)))));
        assertThat(shop.cup(code).cup().begunAt())
                .isEqualTo(ago(20).truncatedTo(java.time.temporal.ChronoUnit.MINUTES));
        assertThat(shop.cup(code).state().concerns()).isEmpty();
        long prep = newest(code, LogEntry.Kind.DONE).mark().id();
        ok(tablet.send("/cups/" + code + "/undo", typed("entry", "" + prep)));
        assertThat(shop.cup(code).cup().begunAt())
                .isEqualTo(shop.cup(code).cup().startedAt());
    }

    @Test
    void remediesCausesHandOverGiveUpComingBackAndTouchesHaveTheirTime() {
        String code = flooded();
        forward(2);
        ok(tablet.send(
                "/cups/" + code + "/fault", typed("seen-HAZE", "on", "zone", "all", "extent", "some", "when", "60")));
        String ahead = String.join(
                ",",
                shop.cup(code).stepsAhead().stream()
                        .map(step -> "" + step.number())
                        .toList());
        ok(tablet.send(
                "/cups/" + code + "/remedy",
                typed("remedy", "leave-it", "ahead", ahead, "when", "at", "at", at(ago(0.75)))));
        assertThat(newest(code, LogEntry.Kind.REMEDY_CHOSEN).mark().happenedAt())
                .isEqualTo(ago(0.75).truncatedTo(java.time.temporal.ChronoUnit.MINUTES));
        ok(tablet.send("/cups/" + code + "/cause", typed("cause", "damp-air", "when", "30")));
        assertThat(newest(code, LogEntry.Kind.CAUSE_KNOWN).mark().happenedAt()).isEqualTo(ago(0.5));
        ok(tablet.send("/cups/" + code + "/log", typed("what", "TOUCHED", "touch", "TACKY", "when", "60")));
        assertThat(newest(code, LogEntry.Kind.TOUCHED).mark().happenedAt()).isEqualTo(ago(1));
        ok(tablet.send(
                "/cups/" + code + "/log",
                typed("what", "ABANDONED", "note", "fell", "when", "at", "at", at(ago(0.25)))));
        assertThat(newest(code, LogEntry.Kind.ABANDONED).mark().happenedAt())
                .isEqualTo(ago(0.25).truncatedTo(java.time.temporal.ChronoUnit.MINUTES));
        MvcTestResult tooEarly = tablet.send("/cups/" + code + "/log", typed("what", "REOPENED", "when", "60"));
        assertThat(text(tooEarly)).contains("before the cup left the bench");
        ok(tablet.send("/cups/" + code + "/log", typed("what", "REOPENED", "when", "5")));
        assertThat(newest(code, LogEntry.Kind.REOPENED).mark().happenedAt())
                .isEqualTo(now().minus(Duration.ofMinutes(5)));
    }

    @Test
    void theFormsOfACupAskWhen() {
        String code = flooded();
        assertThat(tablet.page("/cups/" + code + "/fault"))
                .contains("When was it seen?")
                .contains("name=\"at\"");
        assertThat(tablet.page("/cups/" + code)).contains("id=\"at-given-up\"").contains("id=\"at-touched\"");
    }

    // 2. Correcting keeps everything but what was changed.

    @Test
    void correctingASightingsTimeKeepsWhatWasSeen() {
        String code = flooded();
        forward(2);
        ok(tablet.send(
                "/cups/" + code + "/fault",
                typed("seen-HAZE", "on", "seen-DUST", "on", "zone", "lower", "extent", "much")));
        LogEntry wrong = newest(code, LogEntry.Kind.FAULTS_SEEN);
        String page = tablet.page("/cups/" + code + "/entries/" + wrong.mark().id());
        assertThat(page).contains("name=\"seen-HAZE\" checked").contains("value=\"lower\" checked");
        correct(
                code,
                wrong.mark().id(),
                "seen-HAZE",
                "on",
                "seen-DUST",
                "on",
                "zone",
                "lower",
                "extent",
                "much",
                "at",
                at(ago(1)),
                "note",
                "",
                "correction",
                "typed the wrong hour");
        FaultsSeen right = (FaultsSeen) newest(code, LogEntry.Kind.FAULTS_SEEN);
        assertThat(right.sightings())
                .containsExactly(
                        new Sighting(Blemish.HAZE, Zone.LOWER, Extent.MUCH),
                        new Sighting(Blemish.DUST, Zone.LOWER, Extent.MUCH));
        assertThat(tablet.page("/cups/" + code + "/why")).contains("haze").doesNotContain("Nothing is seen");
    }

    @Test
    void aRemedyIsCorrectedAndStaysTheRemedy() {
        String code = flooded();
        forward(2);
        shop.bean(LogBook.class)
                .add(code, new LogEntry.RemedyChosen(Mark.unnumbered(now(), now(), "Mira", ""), "wash", "blush"), true);
        long entry = newest(code, LogEntry.Kind.REMEDY_CHOSEN).mark().id();
        correct(code, entry, "at", at(ago(1)), "note", "with warm water");
        LogEntry.RemedyChosen right = (LogEntry.RemedyChosen) newest(code, LogEntry.Kind.REMEDY_CHOSEN);
        assertThat(right.remedy()).isEqualTo("wash");
        assertThat(right.cause()).isEqualTo("blush");
        assertThat(right.mark().note()).isEqualTo("with warm water");
    }

    @Test
    void aCorrectedTimeLeavesResinDrawsAndReasonsAsTheyWere() {
        String code = startCup();
        upToFlood(code);
        long other = shop.shelf().resins().stream()
                .filter(resin -> !resin.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
        Map<String, String> hung = pour(5, "30", "");
        hung.put("resin", "" + other);
        hung.put("because", "On purpose");
        ok(tablet.send("/cups/" + code + "/log", hung));
        LogEntry.Poured wrong = (LogEntry.Poured) newest(code, LogEntry.Kind.POURED);
        assertThat(wrong.mark().answers())
                .extracting(Mark.Answer::question, Mark.Answer::reason)
                .contains(org.assertj.core.groups.Tuple.tuple("WILL_NOT_STAY", "On purpose"));
        correct(
                code,
                wrong.mark().id(),
                "at",
                at(ago(0.5)),
                "amount",
                "30",
                "spindle",
                "",
                "resin",
                "" + other,
                "note",
                "",
                "correction",
                "typed the wrong hour");
        correct(
                code,
                newest(code, LogEntry.Kind.POURED).mark().id(),
                "at",
                at(ago(0.25)),
                "amount",
                "30",
                "spindle",
                "",
                "note",
                "",
                "correction",
                "and again");
        LogEntry.Poured right = (LogEntry.Poured) newest(code, LogEntry.Kind.POURED);
        assertThat(right.pot()).isEqualTo(wrong.pot());
        assertThat(right.mark().note()).isEmpty();
        assertThat(right.mark().answers()).isEqualTo(wrong.mark().answers());
        assertThat(tablet.page("/cups/" + code))
                .contains("typed the wrong hour")
                .contains("and again");
    }

    // 3. A reason answers one question about one entry.

    @Test
    void aReasonInARowBelongsToTheStepThatWasAsked() {
        String code = startCup();
        shop.clock().forward(Duration.ofHours(8));
        Map<String, String> row = typed("note", "");
        Instant from = ago(7);
        for (int step = 1; step <= 4; step++) {
            row.put("step-" + step, "on");
            row.put("at-" + step, at(from.plus(Duration.ofMinutes(step == 3 ? 150 : step == 4 ? 153 : step * 20L))));
        }
        row.put("amount-3", "1");
        row.put("spindle-3", "");
        row.put("step-5", "on");
        row.put("at-5", at(from.plus(Duration.ofMinutes(170))));
        row.put("amount-5", "23");
        row.put("spindle-5", turning());
        String asked = text(tablet.send("/cups/" + code + "/row", row));
        assertThat(asked)
                .contains("Flood coat, on Spread the epoxy adhesive of")
                .contains("name=\"because-5-");
        String question = asked.replaceAll("(?s).*name=\"because-(5-[A-Z_]+)\".*", "$1");
        row.put("because-" + question, "It could not wait");
        ok(tablet.send("/cups/" + code + "/row", row));
        assertThat(shop.cup(code).cup().happened())
                .filteredOn(entry -> !entry.mark().answers().isEmpty())
                .singleElement()
                .satisfies(entry -> assertThat(entry.mark().answers())
                        .containsExactly(new Mark.Answer(question.substring(2), "It could not wait")));
        assertThat(shop.cup(code).cup().happened())
                .allSatisfy(entry -> assertThat(entry.mark().note()).isEmpty());
        assertThat(tablet.page("/cups/" + code)).contains("All the same, because: It could not wait");
    }

    @Test
    void twoQuestionsWantTwoAnswers() {
        String code = startCup();
        upToFlood(code);
        ok(tablet.send("/cups/" + code + "/log", pour(5, "23", turning())));
        forward(2);
        Map<String, String> coat = pour(6, "64", "");
        String asked = text(tablet.send("/cups/" + code + "/log", coat));
        assertThat(asked).contains("because-COAT_TOO_SOON").contains("because-WILL_NOT_STAY");
        coat.put("because-WILL_NOT_STAY", "On purpose");
        assertThat(text(tablet.send("/cups/" + code + "/log", coat)))
                .as("one answered is not both")
                .contains("because-COAT_TOO_SOON");
        coat.put("why-COAT_TOO_SOON", "had to leave");
        ok(tablet.send("/cups/" + code + "/log", coat));
        assertThat(newest(code, LogEntry.Kind.POURED).mark().answers())
                .containsExactlyInAnyOrder(
                        new Mark.Answer("WILL_NOT_STAY", "On purpose"),
                        new Mark.Answer("COAT_TOO_SOON", "had to leave"));
    }

    // 4. Undo always works.

    @Test
    void aCoatWhoseSpindleAnotherCupHasTakenSinceCanBeTakenBack() {
        String first = startCup();
        upToFlood(first);
        String second = startCup();
        upToFlood(second);
        ok(tablet.send("/cups/" + first + "/log", pour(5, "23", turning())));
        forward(0.5);
        Map<String, String> onTop = pour(5, "23", turning());
        onTop.put("because", "On purpose");
        ok(tablet.send("/cups/" + second + "/log", onTop));
        for (String how : List.of("undo", "never")) {
            long pour = newest(first, LogEntry.Kind.POURED).mark().id();
            assertThat(tablet.page("/cups/" + first)).contains("Made room for " + second);
            ok(
                    how.equals("undo")
                            ? tablet.send("/cups/" + first + "/undo", typed("entry", "" + pour))
                            : tablet.send("/cups/" + first + "/entries/" + pour, typed("instead", "nothing")));
            assertThat(newest(first, LogEntry.Kind.DONE).mark().id()).isLessThan(pour);
            Map<String, String> again = pour(5, "23", turning());
            again.put("when", "at");
            again.put("at", at(ago(0.4)));
            again.put("because", "On purpose");
            ok(tablet.send("/cups/" + first + "/log", again));
        }
    }

    @Test
    void poursThatOverlapOnOneSpindleAreAskedAbout() {
        String first = startCup();
        upToFlood(first);
        String second = startCup();
        upToFlood(second);
        forward(12);
        Map<String, String> early = pour(5, "23", turning());
        early.put("when", "at");
        early.put("at", at(ago(6)));
        ok(tablet.send("/cups/" + first + "/log", early));
        // Poured before the other, still wet when that was put there; written down after it.
        Map<String, String> over = typed("note", "", "step-5", "on", "amount-5", "23", "spindle-5", turning());
        over.put("at-5", at(ago(8)));
        assertThat(text(tablet.send("/cups/" + second + "/row", over)))
                .contains("because-5-SPINDLE_TAKEN")
                .contains("had " + first + " on it from");
        over.put("at-5", at(ago(11.9)));
        assertThat(text(tablet.send("/cups/" + second + "/row", over)))
                .as("off again before the other came")
                .doesNotContain("SPINDLE_TAKEN");
    }

    @Test
    void nobodyIsTakenOffTwoDaysAfter() {
        String first = flooded();
        String second = startCup();
        upToFlood(second);
        forward(48);
        Map<String, String> onTop = pour(5, "23", turning());
        onTop.put("because", "On purpose");
        ok(tablet.send("/cups/" + second + "/log", onTop));
        assertThat(tablet.page("/cups/" + first)).doesNotContain("Made room").doesNotContain("Taken off the turner");
        assertThat(shop.cup(first).state().hold()).isEmpty();
    }

    // 5. In arrears a step offers what it offers live.

    @Test
    void whatWasReallyMeasuredIsKeptInArrears() {
        String code = startCup();
        upToFlood(code);
        forward(3);
        Map<String, String> row = typed("note", "", "step-5", "on", "amount-5", "20", "spindle-5", turning());
        row.put("at-5", at(ago(2)));
        row.putAll(Map.of("partA-5", "12", "partB-5", "12", "by-5", "scale"));
        // 12 g of each are 10.4 and 12.5 ml: a fifth too much hardener (P4).
        assertThat(text(tablet.send("/cups/" + code + "/row", row)))
                .contains("19.8 % too much hardener")
                .contains("because-5-RATIO_OFF");
        row.put("because-5-RATIO_OFF", "Done in time, written later");
        ok(tablet.send("/cups/" + code + "/row", row));
        LogEntry.Poured poured = (LogEntry.Poured) newest(code, LogEntry.Kind.POURED);
        long batch = poured.batch().orElseThrow();
        assertThat(shop.sql().queryForMap("SELECT * FROM batch WHERE id = ?", batch))
                .hasEntrySatisfying("actual_b_ml", b -> assertThat((Double) b).isBetween(12.4, 12.6))
                .hasEntrySatisfying("closed_at", at -> assertThat(at).isNotNull());
        forward(3);
        ok(tablet.send("/cups/" + code + "/fault", typed("seen-SOFT", "on", "zone", "all", "extent", "much")));
        assertThat(tablet.page("/cups/" + code + "/why"))
                .contains("The ratio was off")
                .contains("20 % off the ratio");
        MvcTestResult less =
                tablet.send("/cups/" + startCup() + "/row", typed("step-1", "on", "at-1", at(ago(0.1)), "note", ""));
        assertThat(less).hasStatus(302);
    }

    @Test
    void halfOfWhatWasMeasuredIsAskedForAndMoreThanThatCannotHaveGoneOn() {
        String code = startCup();
        upToFlood(code);
        Map<String, String> half = pour(5, "20", turning());
        half.put("partA", "10");
        assertThat(text(tablet.send("/cups/" + code + "/log", half))).contains("B is missing");
        half.put("partB", "5");
        assertThat(text(tablet.send("/cups/" + code + "/log", half)))
                .contains("More went on the cup than was measured");
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM batch", Integer.class))
                .isZero();
    }

    @Test
    void theEditorJudgesFromTheMomentThatIsWrittenAbout() {
        String code = flooded();
        forward(18);
        String steps = tablet.page("/cups/" + code + "/steps");
        assertThat(steps).contains("The plan is judged as if it goes on");
        assertThat(judgement(steps)).contains("grips less");
        String then = tablet.page("/cups/" + code + "/steps?at=" + at(ago(12)));
        assertThat(judgement(then)).doesNotContain("grips less");
    }

    private static String judgement(String page) {
        return page.substring(page.indexOf("id=\"judgement\""));
    }

    // 6. What can be seen.

    @Test
    void bumpsAreASignAndPatchyGlitterIsSeenBeforeThereIsACoat() {
        String code = startCup();
        upToFlood(code);
        assertThat(tablet.page("/cups/" + code + "/fault")).contains("seen-PATCHY");
        ok(tablet.send("/cups/" + code + "/fault", typed("seen-PATCHY", "on", "zone", "all", "extent", "some")));
        assertThat(tablet.page("/cups/" + code + "/why"))
                .contains("Adhesive too thick")
                .contains("Glitter it again");
        String ahead = String.join(
                ",",
                shop.cup(code).stepsAhead().stream()
                        .map(step -> "" + step.number())
                        .toList());
        ok(tablet.send("/cups/" + code + "/remedy", typed("remedy", "re-glitter", "ahead", ahead)));
        assertThat(shop.cup(code).stepsAhead().subList(0, 3))
                .extracting(PlanStep::kind)
                .containsExactly(StepKind.ADHESIVE, StepKind.GLITTER, StepKind.FLOOD_COAT);
        String other = flooded();
        forward(10);
        ok(tablet.send("/cups/" + other + "/fault", typed("seen-NIBS", "on", "zone", "all", "extent", "some")));
        assertThat(tablet.page("/cups/" + other + "/why"))
                .contains("bumps or nibs")
                .contains("Dust in the air")
                .contains("Single flakes stand up");
    }

    // 7. A number is given once.

    @Test
    void anExtraCoatInheritsNothingOfAStepThatWasTakenOut() {
        String code = startCup();
        upToFlood(code);
        MaterialBook materials = shop.bean(MaterialBook.class);
        long gold = materials.add(new Material(
                0,
                "Fine gold",
                MaterialKind.GLITTER,
                "#c9a227",
                OptionalDouble.of(0.2),
                java.util.Optional.empty(),
                OptionalDouble.empty(),
                java.util.OptionalInt.empty(),
                7,
                "",
                List.of()));
        ok(tablet.send("/cups/" + code + "/plan", typed("edit", "repeat", "repeated", "4")));
        PlanStep again = shop.cup(code).stepsAhead().get(0);
        assertThat(again.kind()).isEqualTo(StepKind.GLITTER);
        ok(tablet.send("/cups/%s/made/%d".formatted(code, again.number()), typed("material", "" + gold)));
        ok(tablet.send("/cups/" + code + "/begin", typed()));
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM step_begun", Integer.class))
                .isOne();
        shop.bean(nursery.app.cups.CupBook.class).leaveOut(code, again.number());
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM cup_material", Integer.class))
                .isZero();
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM step_begun", Integer.class))
                .isZero();
        ok(tablet.send("/cups/" + code + "/plan", typed("edit", "coat")));
        assertThat(shop.cup(code).stepsAhead().get(0).number()).isGreaterThan(again.number());
        assertThat(materials.chosen(shop.cup(code).cup().id())).isEmpty();
    }

    @Test
    void aPackIsOfItsBlankWhateverEitherIsCalled() {
        MaterialBook materials = shop.bean(MaterialBook.class);
        long pack = materials.add(new Material(
                0,
                "20 oz slim",
                MaterialKind.BLANK,
                "#b9c0c4",
                OptionalDouble.empty(),
                java.util.Optional.empty(),
                OptionalDouble.empty(),
                java.util.OptionalInt.empty(),
                7,
                "",
                List.of()));
        shop.sql().update("UPDATE material SET name = 'Crate by the door' WHERE id = ?", pack);
        shop.sql()
                .update(
                        "INSERT INTO material_lot (material_id, lot, amount, bought_on, added_at, added_by) "
                                + "VALUES (?, 'B-1', 10, '2026-02-01', '2026-02-01', 'Mira')",
                        pack);
        String code = startCup();
        assertThat(shop.sql().queryForObject("SELECT used FROM material_lot", Double.class))
                .isEqualTo(1);
        shelf.addBlank("Crate by the door", new Blank(new Straight(150, 229.3), true, 5, 0, 0, OptionalDouble.of(12)));
        long other = shop.shelf().blanks().stream()
                .filter(blank -> blank.name().equals("Crate by the door"))
                .findFirst()
                .orElseThrow()
                .id();
        shop.bean(Stores.class).takeBlank(shop.cup(code).cup().id(), other);
        assertThat(shop.sql().queryForObject("SELECT used FROM material_lot", Double.class))
                .as("a blank that is called like the pack is another blank")
                .isZero();
    }

    // 8. Nobody overwrites what they have not seen.

    @ParameterizedTest
    @ValueSource(strings = {"/cups/A-01/about", "/money", "/paper", "/backups", "/room", "/shelf"})
    void whoEditsWhatSomeoneElseChangedIsTold(String page) {
        startCup();
        String html = tablet.page(page);
        assertThat(html).contains("name=\"seen\"");
    }

    @Test
    void aDueDateIsNotLostToAnOlderForm() {
        String code = startCup();
        String page = tablet.page("/cups/" + code + "/about");
        String seen = page.replaceAll("(?s).*name=\"seen\" value=\"([^\"]+)\".*", "$1");
        long resin = shop.shelf().resins().get(0).id();
        Map<String, String> about =
                typed("name", "Winter sky", "madeFor", "", "due", "2026-03-20", "base", "" + resin, "last", "" + resin);
        about.putAll(Map.of("paint", "#123456", "glitter", "#654321", "seen", seen, "seenOf", "about"));
        ok(tablet.send("/cups/" + code + "/about", about));
        Map<String, String> late =
                typed("name", "Winter sky 2", "madeFor", "", "due", "", "base", "" + resin, "last", "" + resin);
        late.putAll(Map.of("paint", "#123456", "glitter", "#654321", "seen", seen, "seenOf", "about"));
        String told = text(tablet.send("/cups/" + code + "/about", late));
        assertThat(told).contains("Someone changed this on another tablet").contains("Winter sky 2");
        assertThat(shop.cup(code).cup().promise().dueAt()).isPresent();
        late.put("token", java.util.UUID.randomUUID().toString());
        late.put("seen", told.replaceAll("(?s).*name=\"seen\" value=\"([^\"]+)\".*", "$1"));
        ok(tablet.send("/cups/" + code + "/about", late));
        assertThat(shop.cup(code).cup().promise().dueAt()).isEmpty();
    }
}
