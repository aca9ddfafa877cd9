package nursery.core.technique;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import nursery.core.technique.Fields.Cleaner;
import nursery.core.technique.Fields.Colours;
import nursery.core.technique.Fields.Dust;
import nursery.core.technique.Fields.Grain;
import nursery.core.technique.Fields.Heat;
import nursery.core.technique.Fields.Sealer;
import nursery.core.technique.Fields.Vinyl;

/**
 * Reads, once, as fields what files of the first version say in words. Where the words are unclear, what asks for more
 * care is taken: a can that also says brush is a can. Nothing else in Nursery reads a title or a detail.
 */
public record Words(String words) {

    private static final Set<String> MATERIALS = Set.of(
            "",
            "ordinary",
            "fine-glitter",
            "chunky-glitter",
            "mixed-glitter",
            "permanent-vinyl",
            "metallic-vinyl",
            "removable-vinyl");
    private static final Pattern NUMBER = Pattern.compile("\\d{2,4}");
    private static final Pattern CAN = Pattern.compile("\\b(aerosol|spray|rattle can|from a can)");
    private static final Pattern BRUSH = Pattern.compile("\\bbrush");
    private static final Pattern ACETONE = Pattern.compile("\\bacetone");
    private static final Pattern ALCOHOL = Pattern.compile("\\b(alcohol|ipa\\b|isopropyl|isopropanol|spirit|thinner)");
    private static final Pattern SOAP = Pattern.compile("\\b(soap|detergent)");
    private static final Pattern WASH = Pattern.compile("\\b(wash|rinse)");
    private static final Pattern PASTE = Pattern.compile("\\bpaste");
    private static final Pattern FLAME = Pattern.compile("torch|flame");
    private static final Pattern LOW = Pattern.compile("\\b(on low|low heat)");
    private static final Pattern AIR = Pattern.compile("\\b(warm air|dryer)");

    public Words {
        words = words.toLowerCase(Locale.ROOT);
    }

    /**
     * A step of a file of the first version.
     *
     * @param material what its field of that name said, empty if it had none
     * @param grit what its field of that name said
     */
    public static Fields read(StepKind kind, String title, String detail, String material, String grit) {
        Words said = new Words(title + " " + detail);
        Fields fields = Fields.usual(kind).with(grit(grit));
        if (Field.SEALER.isOf(kind)) {
            fields = fields.with(said.sealer());
        }
        if (Field.CLEANER.isOf(kind)) {
            fields = fields.with(said.cleaner());
        }
        if (kind == StepKind.HEAT) {
            fields = fields.with(said.heat());
        }
        if (Field.DUST.isOf(kind)) {
            fields = fields.with(said.says(WASH) ? Dust.WASHED_OFF : Dust.LEFT);
        }
        return made(fields, material);
    }

    /** Whether a file of the first version could name this as what something is made of. */
    public static boolean isMaterial(String written) {
        return MATERIALS.contains(written);
    }

    private static Fields made(Fields fields, String material) {
        return switch (material) {
            case "fine-glitter" -> fields.with(Grain.FINE);
            case "chunky-glitter" -> fields.with(Grain.COARSE);
            case "mixed-glitter" -> fields.with(Grain.COARSE).with(Colours.SEVERAL);
            case "permanent-vinyl" -> fields.with(Vinyl.PERMANENT);
            case "metallic-vinyl" -> fields.with(Vinyl.METALLIC);
            case "removable-vinyl" -> fields.with(Vinyl.REMOVABLE);
            // "ordinary", and what was left out.
            default -> fields;
        };
    }

    /** From the coarsest to the finest number; where a body is named, what is said of it counts and not the rim's. */
    static Grit grit(String written) {
        List<String> parts = Arrays.asList(written.toLowerCase(Locale.ROOT).split("[,;]"));
        List<String> ofTheBody =
                parts.stream().filter(part -> part.contains("body")).toList();
        int[] numbers = (ofTheBody.isEmpty() ? parts : ofTheBody)
                .stream()
                        .flatMap(part -> NUMBER.matcher(part).results())
                        .mapToInt(found -> Integer.parseInt(found.group()))
                        .filter(number -> number >= Grit.LOWEST && number <= Grit.HIGHEST)
                        .sorted()
                        .toArray();
        return numbers.length == 0 ? Grit.UNSAID : new Grit(numbers[0], numbers[numbers.length - 1]);
    }

    /** What a grit says beyond its numbers, to be kept where words belong; empty if nothing. */
    public static String besideNumbers(String grit) {
        return Grit.parse(grit).isPresent() ? "" : "Grit: " + grit.strip() + ".";
    }

    Sealer sealer() {
        return says(BRUSH) && !says(CAN) ? Sealer.BRUSHED : Sealer.AEROSOL;
    }

    Cleaner cleaner() {
        if (says(ACETONE)) {
            return Cleaner.ACETONE;
        }
        if (says(ALCOHOL)) {
            return Cleaner.ALCOHOL;
        }
        if (words.contains(Question.CLEANING.slot())) {
            return Cleaner.BY_SCHOOL;
        }
        return says(PASTE) ? Cleaner.PASTE : says(SOAP) ? Cleaner.SOAP : Cleaner.ACETONE;
    }

    /** Of what names a flame as well, the flame counts. */
    Heat heat() {
        if (says(FLAME)) {
            return Heat.TORCH;
        }
        return says(LOW) ? Heat.GUN_LOW : says(AIR) ? Heat.WARM_AIR : Heat.TORCH;
    }

    private boolean says(Pattern word) {
        return word.matcher(words).find();
    }
}
