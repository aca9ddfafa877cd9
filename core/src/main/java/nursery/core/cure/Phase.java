package nursery.core.cure;

import nursery.core.resin.LabelTimes;

/** What a coat is at a given age, told apart by what a hand may do to it. */
public enum Phase {
    WORKABLE("workable", "Spread it, heat it, keep it turning."),
    TURNING("turning", "Leave it on the turner: it still runs."),
    GELLED("gelled", "Holds its shape: it may come off the turner. Do not touch."),
    TACK("recoat straight on", "The next coat grips well without sanding."),
    FADING("grip fading", "Still takes a coat unsanded, but grips less by the hour. A light scuff makes sure."),
    HARDENING("hardening", "Too firm to coat, too soft to sand. Leave it."),
    SANDABLE("sandable", "Sands to dust. Scuff before the next coat."),
    CURED("cured", "Firm enough to work on. Scuff before the next coat."),
    FULL_CURE("full cure", "Finished curing.");

    private final String word;
    private final String meaning;

    Phase(String word, String meaning) {
        this.word = word;
        this.meaning = meaning;
    }

    public String word() {
        return word;
    }

    public String meaning() {
        return meaning;
    }

    /**
     * The phase at an age in hours at the reference temperature. Where a label's times overlap (a coat is sandable
     * while it can still be recoated) the window comes first, because it is the one that closes.
     */
    public static Phase at(LabelTimes times, double ageHours) {
        if (ageHours < times.workingH()) {
            return WORKABLE;
        }
        if (ageHours >= times.recoatFromH() && ageHours < times.recoatUntilH()) {
            return TACK;
        }
        if (ageHours >= times.recoatUntilH() && ageHours < times.scuffAfterH()) {
            return FADING;
        }
        if (ageHours < times.turningH()) {
            return TURNING;
        }
        return ageHours < times.recoatFromH() ? GELLED : settledAt(times, ageHours);
    }

    private static Phase settledAt(LabelTimes times, double ageHours) {
        if (ageHours < times.sandableFromH()) {
            return HARDENING;
        }
        if (ageHours < times.curedH()) {
            return SANDABLE;
        }
        return ageHours < times.fullCureH() ? CURED : FULL_CURE;
    }
}
