package nursery.core.plan;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import nursery.core.cup.Blank;
import nursery.core.log.Cup;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;

/**
 * What somebody wants: so many cups alike.
 *
 * @param blankId the number of the blank on the shelf
 * @param plan the steps each cup gets, by the schools chosen
 * @param due the day before which they must have reached full cure
 */
public record Order(
        Cup.About about,
        int count,
        long blankId,
        Blank blank,
        Cup.Resins resins,
        Schools schools,
        List<PlanStep> plan,
        Optional<LocalDate> due,
        int matters) {

    private static final String WANTED = "new ";

    /** The code a cup bears while it is only wanted. */
    public static String wanted(long number) {
        return WANTED + number;
    }

    public static boolean isWanted(String code) {
        return code.startsWith(WANTED);
    }

    /** The number of a cup that is only wanted. */
    public static int numberOf(String wanted) {
        return Integer.parseInt(wanted.substring(WANTED.length()));
    }

    public Order dueOn(Optional<LocalDate> day) {
        return new Order(about, count, blankId, blank, resins, schools, plan, day, matters);
    }

    public Order counting(int cups) {
        return new Order(about, cups, blankId, blank, resins, schools, plan, due, matters);
    }

    /** The same on another blank. */
    public Order on(long otherId, String name, Blank other) {
        return new Order(about.on(name), count, otherId, other, resins, schools, plan, due, matters);
    }

    /** A cup of it as it would be planned. */
    Cup planned(long number, Workshop shop) {
        Cup.Promise promise = new Cup.Promise(
                due.map(day -> day.atStartOfDay(shop.hours().zone()).toInstant()), matters);
        return Cup.started(wanted(number), blank, resins, plan, shop.now())
                .with(promise)
                .with(schools)
                .known(0, about);
    }
}
