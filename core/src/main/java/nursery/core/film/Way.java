package nursery.core.film;

/** Few generous coats, or more thin ones (P8). */
public enum Way {
    THIN,
    GENEROUS;

    public static Way generous(boolean generous) {
        return generous ? GENEROUS : THIN;
    }

    Way other() {
        return this == THIN ? GENEROUS : THIN;
    }
}
