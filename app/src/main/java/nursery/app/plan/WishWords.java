package nursery.app.plan;

import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nursery.app.platform.Show;
import nursery.core.plan.Wish;

/** A wish in a few words: as what it would be, and as what would save a cup. */
final class WishWords {

    private WishWords() {}

    static String of(Wish wish, Show show) {
        return switch (wish.kind()) {
            case PIN -> "%s is pinned to %s".formatted(((Wish.Pinned) wish).cup(), show.at(((Wish.Pinned) wish).at()));
            case UNPIN -> "%s is not pinned any more".formatted(((Wish.Unpinned) wish).cup());
            case HOURS -> hours((Wish.Hours) wish, show);
            case MATTERS ->
                ((Wish.Matters) wish).matters() > 1
                        ? "%s comes before what matters less".formatted(((Wish.Matters) wish).cup())
                        : "%s is an ordinary cup".formatted(((Wish.Matters) wish).cup());
            case SPINDLE -> "one more spindle";
            case ORDER ->
                "%d new %s, %s"
                        .formatted(
                                ((Wish.Ordered) wish).order().count(),
                                ((Wish.Ordered) wish).order().count() == 1 ? "cup" : "cups",
                                ((Wish.Ordered) wish).order().about().name());
            case OTHER_RESIN ->
                "%s for the coats of %s to come"
                        .formatted(((Wish.OtherResin) wish).resin().name(), ((Wish.OtherResin) wish).cup());
            case COAT_LESS -> "%s without one of its middle coats".formatted(((Wish.CoatLess) wish).cup());
        };
    }

    /** Each in words; days one after the other with the same hours are told together. */
    static List<String> all(List<Wish> wishes, Show show) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < wishes.size(); ) {
            int end = i + 1;
            while (end < wishes.size() && goesOn(wishes.get(end - 1), wishes.get(end))) {
                end++;
            }
            words.add(
                    end == i + 1
                            ? of(wishes.get(i), show)
                            : days((Wish.Hours) wishes.get(i), (Wish.Hours) wishes.get(end - 1), show));
            i = end;
        }
        return words;
    }

    private static boolean goesOn(Wish before, Wish after) {
        return before instanceof Wish.Hours one
                && after instanceof Wish.Hours other
                && one.hours().equals(other.hours())
                && one.day().plusDays(1).equals(other.day());
    }

    private static String days(Wish.Hours first, Wish.Hours last, Show show) {
        String days = "from %s to %s".formatted(show.date(first.day()), show.date(last.day()));
        return first.hours().isEmpty()
                ? "away " + days
                : "at the bench %s, %s".formatted(days, first.hours().shown(show.clock()));
    }

    private static String hours(Wish.Hours wish, Show show) {
        return wish.hours().isEmpty()
                ? "away on %s".formatted(show.date(wish.day()))
                : "at the bench on %s, %s"
                        .formatted(show.date(wish.day()), wish.hours().shown(show.clock()));
    }

    /** What a rescue of one cup is called on its own page. */
    static String rescue(Wish wish, Show show) {
        return switch (wish.kind()) {
            case SPINDLE -> "with one more spindle";
            case OTHER_RESIN ->
                "with %s for the coats to come"
                        .formatted(((Wish.OtherResin) wish).resin().name());
            case HOURS -> evening((Wish.Hours) wish, show);
            case COAT_LESS -> "without one of its middle coats";
            case PIN, UNPIN, MATTERS, ORDER -> of(wish, show);
        };
    }

    private static String evening(Wish.Hours wish, Show show) {
        String day = wish.day().getDayOfWeek().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " "
                + wish.day().getDayOfMonth();
        return "with the evening of %s, %s".formatted(day, wish.hours().shown(show.clock()));
    }
}
