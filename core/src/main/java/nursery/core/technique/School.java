package nursery.core.technique;

/** One way of doing a thing that others do differently. All are sound; the first of each question suits a beginner. */
public enum School {
    ADHESIVE_THIN(Question.ADHESIVE, "thin: a film of about 1 ml"),
    ADHESIVE_GENEROUS(Question.ADHESIVE, "generous: 5–10 ml"),
    CRAFT_GLUE(Question.ADHESIVE, "craft glue: quick, stands the flakes up"),
    SPRAY_ADHESIVE(Question.ADHESIVE, "spray adhesive: fastest, outdoors or in a booth"),

    MORE_THIN(Question.COATS, "more thin ones"),
    FEW_GENEROUS(Question.COATS, "few generous ones"),
    STRAIGHT_ON(Question.SECOND_COAT, "straight on, within the day"),
    NEXT_DAY(Question.SECOND_COAT, "next day: let harden, sand, coat"),
    HANG(Question.THIN_FILM, "hang it: a thin film does not run"),
    TURN(Question.THIN_FILM, "turn it anyway"),
    SEAL_NEVER(Question.GLITTER_SEAL, "no: one fine colour, tap off the loose"),
    SEAL_COARSE(Question.GLITTER_SEAL, "only chunky or mixed glitter"),
    SEAL_ALWAYS(Question.GLITTER_SEAL, "yes: clear spray or brushed sealer"),
    SAND_LINE(Question.BARE_STEEL, "sand the line afterwards"),
    TAPE(Question.BARE_STEEL, "tape rim and base, pulled 45 min into every coat"),
    TAPE_AND_SAND(Question.BARE_STEEL, "tape, then sand the line fine"),

    MIX_AT_ONCE(Question.MIX_REST, "use it at once"),
    MIX_RESTED(Question.MIX_REST, "rest it 5 minutes: thicker, covers better"),
    SOAP(Question.CLEANING, "soap and water"),
    ACETONE(Question.CLEANING, "acetone"),
    ALCOHOL(Question.CLEANING, "91 % alcohol"),
    COAT_FIRST(Question.VINYL_ON_INK, "a coat over the ink first"),
    DRY_A_DAY(Question.VINYL_ON_INK, "24 h dry, then vinyl straight on"),

    GRADUATED_CUP(Question.MEASURING, "graduated cup"),
    SCALE(Question.MEASURING, "scale, with masses worked out from densities");

    private final Question question;
    private final String words;

    School(Question question, String words) {
        this.question = question;
        this.words = words;
    }

    public Question question() {
        return question;
    }

    public String words() {
        return words;
    }
}
