package nursery.app.plan;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.cups.NewCup;
import nursery.app.shelf.ShelfBlank;
import nursery.app.shelf.ShelfResin;
import nursery.app.techniques.ShelvedTechnique;
import nursery.core.log.CupFile;
import nursery.core.plan.PlanCup;
import nursery.core.plan.Workshop;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;

/** What somebody wants: so many cups alike. */
record Order(String name, String madeFor, int count, ShelvedTechnique technique, ShelfBlank blank, ShelfResin base, ShelfResin last, Optional<LocalDate> due, int matters) {

    static final int MOST_CUPS = 60;
    private static final String PAINT = "#1f3a5f";
    private static final String GLITTER = "#3f7fbf";
    private static final String WANTED = "new ";

    /** The code a cup bears while it is only wanted. */
    static String wanted(long number) {
        return WANTED + number;
    }

    static boolean isWanted(String code) {
        return code.startsWith(WANTED);
    }

    private List<PlanStep> plan() {
        return technique.technique().plan(Schools.of(List.of()), Map.of());
    }

    Order dueOn(Optional<LocalDate> day) {
        return new Order(name, madeFor, count, technique, blank, base, last, day, matters);
    }

    /** A cup of it as it would be planned. */
    PlanCup planned(long number, Workshop shop) {
        CupFile file = new CupFile(blank.blank(), base.cureLabel(), last.cureLabel(), plan(), shop.now(), List.of());
        return new PlanCup(wanted(number), file, base.name(), last.name(), due.map(day -> day.atStartOfDay(shop.hours().zone()).toInstant()), matters);
    }

    /** A cup of it as it is started. */
    NewCup started(Instant now) {
        return new NewCup(name, madeFor, blank.id(), base.id(), last.id(), due, PAINT, GLITTER, Schools.of(List.of()), technique.technique().name(), plan(), now, matters);
    }

    /** As its form would be filled in, to be read again when its plan is kept. */
    String written() {
        Map<String, String> typed = Map.of("name", name, "madeFor", madeFor, "count", "" + count, "technique", technique.key(), "blank", "" + blank.id(), "resin", "" + base.id(), "last", "" + last.id(),
                "due", due.map(LocalDate::toString).orElse(""), "matters", "" + matters);
        return typed.entrySet().stream().sorted(Map.Entry.comparingByKey()).map(field -> field.getKey() + "=" + URLEncoder.encode(field.getValue(), StandardCharsets.UTF_8)).collect(Collectors.joining("&"));
    }
}
