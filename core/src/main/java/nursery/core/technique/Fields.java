package nursery.core.technique;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * How a step is done, as far as it decides about anything: no title and no detail ever does. What is not said is what
 * asks for more care.
 *
 * @param heat what a coat, or a pass of its own, is heated with
 * @param strewn how glitter goes on; on what holds it, flakes on a wet coat sink into that whatever is said
 * @param dust whether sanding dust is washed off with the same hands
 * @param turned what keeps a coat from running until it has gelled
 * @param where the part of the cup it is done to
 */
public record Fields(
        Sealer sealer,
        Cleaner cleaner,
        Heat heat,
        Grain grain,
        Colours colours,
        Strewn strewn,
        Vinyl vinyl,
        Grit grit,
        Dust dust,
        Turned turned,
        Where where) {

    private static final int BODY_GRIT = 220;
    private static final String BETWEEN = " ";

    private static final Fields UNSAID = new Fields(
            Sealer.AEROSOL,
            Cleaner.ACETONE,
            Heat.NONE,
            Grain.FINE,
            Colours.ONE,
            Strewn.ON_TOP,
            Vinyl.PERMANENT,
            Grit.UNSAID,
            Dust.LEFT,
            Turned.SPINDLE,
            Where.USUAL);

    public enum Sealer implements Field.Choice {
        AEROSOL("aerosol"),
        BRUSHED("brushed on");

        private final String word;

        Sealer(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    public enum Cleaner implements Field.Choice {
        BY_SCHOOL("by the school"),
        SOAP("soap and water"),
        ACETONE("acetone"),
        ALCOHOL("alcohol"),
        PASTE("scouring paste");

        private final String word;

        Cleaner(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }

        /** Whether it must flash off, and burns until it has. */
        public boolean isSolvent() {
            return switch (this) {
                case ACETONE, ALCOHOL, BY_SCHOOL -> true;
                case SOAP, PASTE -> false;
            };
        }
    }

    public enum Heat implements Field.Choice {
        NONE("not said"),
        TORCH("torch"),
        GUN_HIGH("heat gun, high"),
        GUN_LOW("heat gun, low"),
        WARM_AIR("warm air");

        private final String word;

        Heat(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }

        /** Whether a coat is hot after it. */
        public boolean isHot() {
            return this == TORCH || this == GUN_HIGH;
        }
    }

    public enum Grain implements Field.Choice {
        FINE("fine"),
        COARSE("coarse");

        private final String word;

        Grain(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    public enum Colours implements Field.Choice {
        ONE("one colour"),
        SEVERAL("several colours");

        private final String word;

        Colours(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    public enum Strewn implements Field.Choice {
        ON_TOP("on what holds it"),
        SPRINKLED("into a wet coat"),
        STIRRED_IN("stirred in");

        private final String word;

        Strewn(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    public enum Vinyl implements Field.Choice {
        PERMANENT("permanent vinyl"),
        METALLIC("metallic vinyl"),
        TEXTURED("textured vinyl"),
        PRINTED_SHEET("printed sheet"),
        REMOVABLE("removable vinyl");

        private final String word;

        Vinyl(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }

        /** Whether its edges may lift until something is over them. */
        public boolean mayLift() {
            return this == METALLIC || this == TEXTURED;
        }
    }

    public enum Dust implements Field.Choice {
        LEFT("still on it"),
        WASHED_OFF("washed off");

        private final String word;

        Dust(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    public enum Turned implements Field.Choice {
        BY_SCHOOL("by the school"),
        SPINDLE("on a turner"),
        BY_HAND("turned by hand"),
        HUNG("hung");

        private final String word;

        Turned(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** A kind of step of which nothing more is said. */
    public static Fields usual(StepKind kind) {
        Fields fields = UNSAID;
        if (kind == StepKind.HEAT) {
            fields = fields.with(Heat.TORCH);
        } else if (kind == StepKind.MICA_SEAL) {
            fields = fields.with(Sealer.BRUSHED);
        } else if (kind == StepKind.STENCIL) {
            fields = fields.with(Vinyl.REMOVABLE);
        } else if (kind == StepKind.ADHESIVE) {
            fields = fields.with(Turned.BY_SCHOOL);
        } else if (kind.isSanding()) {
            fields = fields.with(Grit.of(BODY_GRIT));
        }
        return fields;
    }

    public Fields with(Field.Choice choice) {
        return new Fields(
                choice instanceof Sealer one ? one : sealer,
                choice instanceof Cleaner one ? one : cleaner,
                choice instanceof Heat one ? one : heat,
                choice instanceof Grain one ? one : grain,
                choice instanceof Colours one ? one : colours,
                choice instanceof Strewn one ? one : strewn,
                choice instanceof Vinyl one ? one : vinyl,
                grit,
                choice instanceof Dust one ? one : dust,
                choice instanceof Turned one ? one : turned,
                choice instanceof Where.Part one ? new Where(one) : where);
    }

    public Fields with(Where other) {
        return new Fields(sealer, cleaner, heat, grain, colours, strewn, vinyl, grit, dust, turned, other);
    }

    public Fields with(Grit other) {
        return new Fields(sealer, cleaner, heat, grain, colours, strewn, vinyl, other, dust, turned, where);
    }

    /** What is chosen of a field; nothing for the grit, which is a number. */
    public Optional<Field.Choice> choice(Field field) {
        return Optional.ofNullable(
                switch (field) {
                    case SEALER -> sealer;
                    case CLEANER -> cleaner;
                    case HEAT -> heat;
                    case GRAIN -> grain;
                    case COLOURS -> colours;
                    case STREWN -> strewn;
                    case VINYL -> vinyl;
                    case DUST -> dust;
                    case TURNED -> turned;
                    case PLACE -> where.part();
                    case GRIT -> null;
                });
    }

    /** A field as a form, a file and a table write it. */
    public String written(Field field) {
        return field == Field.PLACE
                ? where.written()
                : choice(field).map(Field.Choice::written).orElseGet(grit::written);
    }

    /** A field as it is read to a maker. */
    public String word(Field field) {
        return field == Field.PLACE
                ? where.word()
                : choice(field).map(Field.Choice::word).orElseGet(grit::written);
    }

    /** The same where it stands by itself in a sentence: {@code cleaned with acetone}. */
    public String told(Field field) {
        String word = word(field);
        return switch (field) {
            case SEALER -> "sealer " + word;
            case CLEANER -> "cleaned with " + word;
            case HEAT -> heat == Heat.NONE ? "heat not said" : "heated with " + word;
            case GRAIN -> word + " flakes";
            case GRIT -> grit.isSaid() ? "grit " + word : "grit not said";
            case DUST -> "dust " + word;
            case COLOURS, STREWN, VINYL, TURNED, PLACE -> word;
        };
    }

    /** All that may be said of a kind of step, in one line: {@code grit=60–220 dust=washed-off}. */
    public String written(StepKind kind) {
        return written(Field.of(kind));
    }

    /** All there is to say, whatever was done. */
    public String written() {
        return written(List.of(Field.values()));
    }

    private String written(List<Field> fields) {
        return fields.stream()
                .map(field -> field.written() + "=" + written(field))
                .collect(Collectors.joining(BETWEEN));
    }

    /** What {@link #written(StepKind)} wrote. */
    public static Fields parse(StepKind kind, String written) {
        return usual(kind).and(written);
    }

    /** What {@link #written()} wrote. */
    public static Fields parse(String written) {
        return UNSAID.and(written);
    }

    private Fields and(String written) {
        Fields fields = this;
        for (String part : written.split(BETWEEN)) {
            int at = part.indexOf('=');
            if (at > 0) {
                Field field = Field.named(part.substring(0, at)).orElseThrow(() -> unknown(written));
                fields = fields.with(field, part.substring(at + 1)).orElseThrow(() -> unknown(written));
            }
        }
        return fields;
    }

    private static IllegalArgumentException unknown(String written) {
        return new IllegalArgumentException("“%s” says nothing of how a step is done.".formatted(written));
    }

    /** With what is written of a field; nothing if that is none of its values. */
    public Optional<Fields> with(Field field, String written) {
        return switch (field) {
            case GRIT -> Grit.parse(written).map(this::with);
            case PLACE -> Where.parse(written).map(this::with);
            case SEALER, CLEANER, HEAT, GRAIN, COLOURS, STREWN, VINYL, DUST, TURNED ->
                field.choice(written).map(this::with);
        };
    }

    /** As it is done by these schools: what was left to them is decided, but how a coat turns stays with the cup's. */
    public Fields by(Schools schools) {
        return cleaner == Cleaner.BY_SCHOOL
                ? with(
                        schools.has(School.SOAP)
                                ? Cleaner.SOAP
                                : schools.has(School.ALCOHOL) ? Cleaner.ALCOHOL : Cleaner.ACETONE)
                : this;
    }

    /** Whether flakes drag, drift and stand up until they are sealed (step 4 of the order of work). */
    public boolean isCoarse() {
        return grain == Grain.COARSE;
    }

    /** Whether it is felt until coats lie over it: coarse flakes, and several blended. */
    public boolean isRough() {
        return isCoarse() || colours == Colours.SEVERAL;
    }

    /** What is laid, for who reads what lies on a cup; empty where the kind of step says it all. */
    public String laid(StepKind kind) {
        return switch (kind) {
            case GLITTER -> grain.word() + " glitter" + (colours == Colours.SEVERAL ? ", " + colours.word() : "");
            case VINYL, STENCIL -> vinyl.word();
            default -> "";
        };
    }

    /** What is worth saying of it where a plan is read: nothing that goes without saying. */
    public Map<Field, String> worthSaying(StepKind kind) {
        Map<Field, String> said = new EnumMap<>(Field.class);
        Fields usual = usual(kind);
        for (Field field : Field.of(kind)) {
            Optional<Field.Choice> choice = choice(field);
            boolean isNews =
                    switch (field) {
                        case SEALER, CLEANER, VINYL, GRAIN -> true;
                        case HEAT, COLOURS, STREWN, DUST, TURNED, PLACE -> !choice.equals(usual.choice(field));
                        case GRIT -> grit.isSaid();
                    };
            if (isNews) {
                said.put(field, word(field));
            }
        }
        return said;
    }
}
