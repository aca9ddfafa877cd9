package nursery.core.cup;

import java.util.List;
import java.util.function.IntFunction;
import nursery.core.measure.Faults;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;

/** What can be a cup at all, so that a slipped digit or the wrong unit is caught where it is typed. */
final class OutlineLimits {

    static final double MIN_HEIGHT_MM = 20;
    static final double MAX_HEIGHT_MM = 600;
    static final double MIN_CIRCUMFERENCE_MM = 50;
    static final double MAX_CIRCUMFERENCE_MM = 1000;
    static final int MAX_STATIONS = 60;

    static final Fields STRAIGHT_FIELDS = new Fields(i -> "height", i -> "circumference");
    static final Fields TAPERED_FIELDS =
            new Fields(i -> "height", i -> i == 0 ? "baseCircumference" : "rimCircumference");
    static final Fields TURNED_FIELDS =
            new Fields("outline[%d].heightMm"::formatted, "outline[%d].circumferenceMm"::formatted);

    private OutlineLimits() {}

    /** How a form names the height and the circumference of the i-th station. */
    record Fields(IntFunction<String> height, IntFunction<String> circumference) {}

    static void check(List<Station> stations, Fields fields) {
        Faults faults = new Faults();
        faults.require(stations.size() >= 2, "outline", "An outline needs at least two heights: the base and the rim.");
        faults.require(
                stations.size() <= MAX_STATIONS,
                "outline",
                "An outline has at most %d heights.".formatted(MAX_STATIONS));
        faults.throwIfAny();
        boolean straight = fields == STRAIGHT_FIELDS;
        for (int i = straight ? 1 : 0; i < stations.size(); i++) {
            circumference(
                    faults, fields.circumference().apply(i), stations.get(i).circumferenceMm());
        }
        heights(faults, stations, fields);
        faults.throwIfAny();
    }

    private static void circumference(Faults faults, String field, double mm) {
        if (!(mm >= MIN_CIRCUMFERENCE_MM && mm <= MAX_CIRCUMFERENCE_MM)) {
            faults.add(
                    field,
                    "Circumference %s mm is outside %s–%s mm%s"
                            .formatted(
                                    Numbers.show(mm),
                                    Numbers.show(MIN_CIRCUMFERENCE_MM),
                                    Numbers.show(MAX_CIRCUMFERENCE_MM),
                                    inchHint(
                                            mm,
                                            MIN_CIRCUMFERENCE_MM,
                                            MAX_CIRCUMFERENCE_MM,
                                            "measure around the cup, not across it.")));
        }
    }

    private static void heights(Faults faults, List<Station> stations, Fields fields) {
        double first = stations.get(0).heightMm();
        faults.require(
                first == 0,
                fields.height().apply(0),
                "The first height is the base: it must be 0, not %s.".formatted(Numbers.show(first)));
        int top = stations.size() - 1;
        double rim = stations.get(top).heightMm();
        if (!(rim >= MIN_HEIGHT_MM && rim <= MAX_HEIGHT_MM)) {
            faults.add(
                    fields.height().apply(top),
                    "Height %s mm is outside %s–%s mm%s"
                            .formatted(
                                    Numbers.show(rim),
                                    Numbers.show(MIN_HEIGHT_MM),
                                    Numbers.show(MAX_HEIGHT_MM),
                                    inchHint(rim, MIN_HEIGHT_MM, MAX_HEIGHT_MM, "measure from the base to the rim.")));
        }
        for (int i = 1; i < stations.size(); i++) {
            double below = stations.get(i - 1).heightMm();
            double here = stations.get(i).heightMm();
            faults.require(
                    here > below,
                    fields.height().apply(i),
                    "Height %s mm does not lie above %s mm: list the heights from base to rim."
                            .formatted(Numbers.show(here), Numbers.show(below)));
        }
    }

    private static String inchHint(double mm, double lowMm, double highMm, String otherwise) {
        double asInches = LengthUnit.IN.toBase(mm);
        return asInches >= lowMm && asInches <= highMm && mm < lowMm
                ? ": did you mean %s in (%s mm)?".formatted(Numbers.show(mm), Numbers.show(asInches, 0))
                : ": " + otherwise;
    }
}
