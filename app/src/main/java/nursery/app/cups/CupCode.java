package nursery.app.cups;

/** Short codes to write on tape: … Y-99, AA-01 … Without letters that a marker makes look alike. */
final class CupCode {

    private static final String LETTERS = "ABCDEFGHJKLMNPRTUVWXY";
    private static final int PER_LETTER = 99;

    private CupCode() {}

    /** @param number counts cups from 1 */
    static String of(int number) {
        StringBuilder letters = new StringBuilder();
        // Counted as the columns of a sheet are: behind the last letter come two.
        for (int series = (number - 1) / PER_LETTER + 1; series > 0; series = (series - 1) / LETTERS.length()) {
            letters.insert(0, LETTERS.charAt((series - 1) % LETTERS.length()));
        }
        return "%s-%02d".formatted(letters, (number - 1) % PER_LETTER + 1);
    }
}
