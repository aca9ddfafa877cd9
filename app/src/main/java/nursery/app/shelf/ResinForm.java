package nursery.app.shelf;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nursery.app.platform.FormReader;
import nursery.core.measure.Edition;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;
import nursery.core.measure.TemperatureUnit;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Resin;
import nursery.core.resin.Viscosity;

/**
 * The form a resin's label is copied to: between what was typed and a {@link Label}. Working time is in minutes, as
 * labels print it.
 */
final class ResinForm {

    static final int LONGEST_NAME = 80;
    static final String OWN_LABEL = "From the product's label.";
    private static final double MINUTES_PER_HOUR = 60;

    private final FormReader reader;
    private final TemperatureUnit unit;

    ResinForm(Map<String, String> typed, TemperatureUnit unit) {
        this.reader = new FormReader(typed);
        this.unit = unit;
    }

    String name() {
        return reader.line("name", "The name", LONGEST_NAME, true);
    }

    String source() {
        String source = reader.line("source", "Where the figures come from", 200, false);
        return source.isEmpty() ? OWN_LABEL : source;
    }

    private Optional<Label> label() {
        Optional<MixRatio> ratio = reader.faults().attempt("ratio", () -> MixRatio.parse(reader.raw("ratio")));
        Optional<LabelTimes> times = times();
        double referenceC = reader.quantity("reference", "The reference temperature", unit);
        double activation = reader.optionalNumber("activation").orElse(Label.DEFAULT_ACTIVATION_KJ_PER_MOL);
        Optional<Viscosity> viscosity = viscosity();
        OptionalDouble potLife = reader.optionalNumber("potLife");
        OptionalDouble tolerance = reader.optionalNumber("tolerance");
        Optional<Densities> densities = densities();
        if (ratio.isEmpty() || times.isEmpty() || Double.isNaN(referenceC)) {
            return Optional.empty();
        }
        return reader.faults()
                .attempt(
                        "name",
                        () -> new Label(
                                ratio.get(),
                                times.get(),
                                referenceC,
                                activation,
                                densities,
                                viscosity,
                                potLife,
                                tolerance));
    }

    /** @throws InvalidInput with everything wrong on the form */
    Label labelOrThrow() {
        Optional<Label> label = label();
        return label.filter(read -> reader.faults().none())
                .orElseThrow(() -> new InvalidInput(reader.faults().found()));
    }

    int version() {
        return reader.version();
    }

    /** The label as it was, to the last digit, if nothing but the name and the source was touched; else as typed. */
    Label labelOrThrow(Resin before, TemperatureUnit shownIn) {
        Label typed = labelOrThrow();
        Label printed = before.copy().printed();
        boolean untouched = reader.isAsFilled(
                typedFrom(before.name(), printed, before.copy().source(), shownIn),
                Set.of(),
                Set.of("name", "source", "version", "why", "token", "_csrf"));
        return untouched ? printed : typed;
    }

    /** Whether it was copied wrong, which is what a maker means who says nothing, or is another product from now on. */
    Edition.Why why() {
        return reader.raw("why").equals(Edition.Why.CHANGED.name()) ? Edition.Why.CHANGED : Edition.Why.CORRECTED;
    }

    private Optional<LabelTimes> times() {
        int before = reader.faults().found().size();
        double workingH = reader.number("working", "The working time") / MINUTES_PER_HOUR;
        double turningH = reader.number("turning", "The turning time");
        double recoatFromH = reader.number("recoatFrom", "Recoat straight on from");
        double recoatUntilH = reader.number("recoatUntil", "Recoat straight on until");
        double sandableFromH = reader.number("sandableFrom", "Sandable from");
        double sandableSureH = reader.optionalNumber("sandableSure").orElse(sandableFromH);
        double scuffAfterH = reader.number("scuffAfter", "Scuff needed after");
        double curedH = reader.number("cured", "Cured");
        double fullCureH = reader.number("fullCure", "Full cure");
        return reader.faults().found().size() > before
                ? Optional.empty()
                : reader.faults()
                        .attempt(
                                "working",
                                () -> new LabelTimes(
                                        workingH,
                                        turningH,
                                        recoatFromH,
                                        recoatUntilH,
                                        sandableFromH,
                                        sandableSureH,
                                        scuffAfterH,
                                        curedH,
                                        fullCureH));
    }

    private Optional<Viscosity> viscosity() {
        OptionalDouble fresh = reader.optionalNumber("viscosity");
        OptionalDouble second = reader.optionalNumber("viscosity2");
        String at = reader.raw("viscosity2At");
        reader.faults()
                .require(
                        at.isEmpty()
                                || second.isPresent()
                                || !reader.raw("viscosity2").isEmpty(),
                        "viscosity2",
                        "A temperature alone says nothing: enter the second viscosity or empty both.");
        reader.faults()
                .require(
                        second.isEmpty()
                                || fresh.isPresent()
                                || !reader.raw("viscosity").isEmpty(),
                        "viscosity",
                        "Enter the viscosity at the label's own temperature as well.");
        double atC = second.isEmpty()
                ? Double.NaN
                : reader.quantity("viscosity2At", "The second viscosity's temperature", unit);
        Optional<Viscosity.Second> other = Double.isNaN(atC)
                ? Optional.empty()
                : reader.faults().attempt("viscosity2", () -> new Viscosity.Second(second.getAsDouble(), atC));
        return fresh.isEmpty()
                ? Optional.empty()
                : reader.faults().attempt("viscosity", () -> new Viscosity(fresh.getAsDouble(), other));
    }

    private Optional<Densities> densities() {
        OptionalDouble a = reader.optionalNumber("densityA");
        OptionalDouble b = reader.optionalNumber("densityB");
        if (a.isPresent() != b.isPresent()) {
            reader.faults()
                    .require(
                            !reader.raw(a.isPresent() ? "densityB" : "densityA").isEmpty(),
                            a.isPresent() ? "densityB" : "densityA",
                            "One density alone cannot split a mix by scale: enter both or neither.");
        }
        return a.isPresent() && b.isPresent()
                ? reader.faults().attempt("densityA", () -> new Densities(a.getAsDouble(), b.getAsDouble()))
                : Optional.empty();
    }

    static Map<String, String> typedFrom(String name, Label label, String source, TemperatureUnit unit) {
        Map<String, String> typed = new LinkedHashMap<>();
        LabelTimes times = label.times();
        typed.put("name", name);
        typed.put("source", source);
        typed.put("ratio", label.ratio().toString());
        typed.put("working", Numbers.show(times.workingH() * MINUTES_PER_HOUR, 1));
        typed.put("turning", Numbers.show(times.turningH()));
        typed.put("recoatFrom", Numbers.show(times.recoatFromH()));
        typed.put("recoatUntil", Numbers.show(times.recoatUntilH()));
        typed.put("sandableFrom", Numbers.show(times.sandableFromH()));
        typed.put("sandableSure", Numbers.show(times.sandableSureH()));
        typed.put("scuffAfter", Numbers.show(times.scuffAfterH()));
        typed.put("cured", Numbers.show(times.curedH()));
        typed.put("fullCure", Numbers.show(times.fullCureH()));
        typed.put("reference", unit.writeNumber(label.referenceC()));
        typed.put("activation", Numbers.show(label.activationKjPerMol()));
        label.densities().ifPresent(densities -> {
            typed.put("densityA", Numbers.show(densities.partAGPerMl()));
            typed.put("densityB", Numbers.show(densities.partBGPerMl()));
        });
        label.potLifeMin().ifPresent(minutes -> typed.put("potLife", Numbers.show(minutes)));
        label.tolerancePercent().ifPresent(percent -> typed.put("tolerance", Numbers.show(percent)));
        label.viscosity().ifPresent(viscosity -> {
            typed.put("viscosity", Numbers.show(viscosity.freshPaS()));
            viscosity.second().ifPresent(second -> {
                typed.put("viscosity2", Numbers.show(second.paS()));
                typed.put("viscosity2At", unit.writeNumber(second.atC()));
            });
        });
        return typed;
    }
}
