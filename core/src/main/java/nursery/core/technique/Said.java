package nursery.core.technique;

import java.util.Locale;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a step's title and detail say in words, where no field says it. Where they are unclear, what asks for more care
 * is taken: a can that also says brush is a can.
 */
public record Said(String words) {

    private static final Pattern GRIT = Pattern.compile("\\d{2,4}");
    private static final Pattern CAN = Pattern.compile("\\b(aerosol|spray|rattle can|from a can)");
    private static final Pattern BRUSH = Pattern.compile("\\bbrush");
    private static final Pattern ACETONE = Pattern.compile("\\bacetone");
    private static final Pattern ALCOHOL = Pattern.compile("\\b(alcohol|ipa\\b|isopropyl|isopropanol|spirit|thinner)");
    private static final Pattern SOAP = Pattern.compile("\\b(soap|detergent)");
    private static final Pattern WASH = Pattern.compile("\\b(wash|rinse)");
    private static final Pattern PASTE = Pattern.compile("\\bpaste");

    public Said {
        words = words.toLowerCase(Locale.ROOT);
    }

    /** Whether a sealer is brushed on and not sprayed. */
    public boolean isBrushed() {
        return says(BRUSH) && !says(CAN);
    }

    public boolean isAcetone() {
        return says(ACETONE);
    }

    public boolean isAlcohol() {
        return says(ALCOHOL);
    }

    /** Whether it is cleaned with soap or paste, and with nothing that burns. */
    public boolean isWithoutSolvent() {
        return (says(SOAP) || isPaste()) && !isAcetone() && !isAlcohol();
    }

    public boolean isPaste() {
        return says(PASTE);
    }

    /** Whether what is sanded is washed with the same hands. */
    public boolean isWashed() {
        return says(WASH);
    }

    /** The finest grit that is named: that is what sanding ends with. */
    public OptionalInt finestGrit() {
        Matcher numbers = GRIT.matcher(words);
        OptionalInt finest = OptionalInt.empty();
        while (numbers.find()) {
            finest = OptionalInt.of(Math.max(Integer.parseInt(numbers.group()), finest.orElse(0)));
        }
        return finest;
    }

    private boolean says(Pattern word) {
        return word.matcher(words).find();
    }
}
