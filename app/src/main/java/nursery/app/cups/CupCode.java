package nursery.app.cups;

/** Short codes to write on tape: … B-01. Without letters that a marker makes look alike. */
final class CupCode {

    private static final String LETTERS = "ABCDEFGHJKLMNPRTUVWXY";
    private static final int PER_LETTER = 99;

    private CupCode() {}

    /** @param number counts cups from 1 */
    static String of(int number) {
        int series = (number - 1) / PER_LETTER;
        String letter = String.valueOf(LETTERS.charAt(series % LETTERS.length()));
        return "%s-%02d".formatted(letter.repeat(1 + series / LETTERS.length()), (number - 1) % PER_LETTER + 1);
    }
}
