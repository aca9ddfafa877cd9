package nursery.core.technique;

/** The words a beginner lacks, each in one or two sentences. */
public enum Term {
    PART_A("A", "Part A, the resin. It is measured first; the label says how much hardener goes with it, by volume."),
    PART_B("B", "Part B, the hardener. A tenth too much or too little can leave a coat soft for good."),
    BLANK("blank", "The bare cup, before anything is on it."),
    SCUFF("scuff", "Sand lightly, only until it is dull all over, so that the next coat grips. Then wash and dry."),
    TACK_WINDOW(
            "tack window",
            "The hours in which a coat is firm but still takes the next one straight on, without sanding. Its label "
                    + "says how long; the room's warmth moves it."),
    FILM("film", "How thick the epoxy lies on the cup: the amount on it, spread over its area."),
    FLOOD_COAT("flood coat", "The first full coat over the decoration: enough to flow by itself and bury it."),
    GELLED("gelled", "Set so far that it no longer runs. From then on the turner may stop."),
    SANDABLE("sandable", "Hard enough that paper makes dust of it; before that it gums."),
    FULL_CURE("full cure", "As hard as it gets. Until then a cup is kept back, washed by hand only after."),
    POT_LIFE("pot life", "How long a mix stays usable in its pot. A larger or warmer pot is quicker."),
    WORKING_TIME("working time", "How long a coat can still be spread and levelled on the cup."),
    SCHOOL("school", "Makers who know their work differ here. Each way is sound; choose one and stay with it."),
    SPINDLE("spindle", "The place on a turner that carries one cup."),
    PEEKABOO("peekaboo", "A picture below the paint: a stencil is painted over and peeled, and shows what lies under."),
    WATER_SLIDE("water-slide", "A printed film that is wetted and slid off its paper onto a smooth coat."),
    SEAL("seal", "A thin layer that keeps the one below from moving, bleeding or being dragged along."),
    FISH_EYE("fish-eye", "A round hole in a coat, where it drew back from grease, glue or silicone."),
    SHARE("share", "A cup's part of a mix.");

    private final String word;
    private final String meaning;

    Term(String word, String meaning) {
        this.word = word;
        this.meaning = meaning;
    }

    public String word() {
        return word;
    }

    public String meaning() {
        return meaning;
    }
}
