package nursery.core.inspect;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import nursery.core.log.Blemish;

/**
 * What goes wrong with coats, as practice has it: P30–P42 for what is seen and done, its list of faults for what speaks
 * for which cause. The weights are from memory: strong is about ten to fifteen decibans, some three to eight.
 */
public final class StartingModel {

    private static final double ALWAYS = Double.POSITIVE_INFINITY;
    private static final double USUAL_LEAK = 0.02;

    /** Coats over it: never where the resin itself did not cure (P39). */
    private static final Remedy[] OVER_IT = {
        Remedy.SCUFF_AND_COAT, Remedy.SAND_FLAT_AND_COAT, Remedy.COAT_AGAIN, Remedy.THIN_COAT
    };

    public static final Model MODEL = new Model(causes(), signs());

    private StartingModel() {}

    private static List<Cause> causes() {
        return Stream.of(softOnes(), surfaces(), shapes(), bubbles(), layers(), edgesAndColours())
                .flatMap(List::stream)
                .map(Making::made)
                .toList();
    }

    private static List<Making> softOnes() {
        return List.of(
                cause("ratio-off", "The ratio was off", 0.05)
                        .shows("soft", 0.85)
                        .shows("yellow", 0.05)
                        .shows("everywhere", 0.85)
                        .shows("nail-marks", 0.85)
                        .when(Fact.RATIO_OFF, 0.1, ALWAYS, 15, "measured {ratioError%} off the ratio")
                        .when(Fact.RATIO_OFF, 0.05, 0.1, 8, "measured {ratioError%} off the ratio")
                        .when(Fact.RATIO_OFF, -1, 0.03, -12, "the ratio was measured within {ratioOff%}")
                        .when(Fact.OF_CURED, 1, ALWAYS, 3, "it had {ageH} h of cure and should be hard")
                        .helps(Remedy.SCRAPE_OFF, Remedy.STRIP_BACK)
                        .forbids(OVER_IT)
                        .forbids(Remedy.COLOUR_IN, Remedy.PRESS_AND_SEAL, Remedy.SAND_THE_RIM, Remedy.RE_GLITTER),
                cause("not-stirred", "It was not stirred through, or not poured into a second cup", 0.07)
                        .shows("soft", 0.6)
                        .shows("streaks", 0.85)
                        .shows("in-streaks", 0.9)
                        .shows("nail-marks", 0.6)
                        .when(Fact.SECONDS_STIRRED, -1, 120, 8, "it was stirred for {secondsStirred} s")
                        .when(Fact.SECONDS_STIRRED, 240, ALWAYS, -6, "it was stirred for {secondsStirred} s")
                        .when(Fact.TWO_CUPS, -1, 0.5, 6, "it was not stirred again in a second cup")
                        .when(Fact.TWO_CUPS, 0.5, ALWAYS, -4, "it was stirred again in a second cup")
                        .helps(Remedy.SCRAPE_OFF, Remedy.WASH)
                        .forbids(OVER_IT),
                cause("scraped-pot", "The pot was scraped out over the cup", 0.04)
                        .shows("soft", 0.5)
                        .shows("streaks", 0.4)
                        .shows("in-streaks", 0.8)
                        .shows("nail-marks", 0.6)
                        .helps(Remedy.SCRAPE_OFF)
                        .forbids(OVER_IT),
                cause("too-cold", "It cured in the cold", 0.06)
                        .shows("soft", 0.6)
                        .shows("haze", 0.15)
                        .shows("ripples", 0.15)
                        .shows("everywhere", 0.9)
                        .shows("nail-marks", 0.7)
                        .shows("firmer-now", 0.85)
                        .when(Fact.AMBIENT_C, -50, 16, 10, "the room was at {ambientC} °C while it gelled")
                        .when(Fact.AMBIENT_C, 16, 19, 5, "the room was at {ambientC} °C while it gelled")
                        .when(Fact.AMBIENT_C, 21, ALWAYS, -8, "the room was at {ambientC} °C")
                        .when(Fact.OF_CURED, 1.2, ALWAYS, -6, "with the cold counted it had {ageH} h of cure")
                        .helps(Remedy.WAIT_AND_WARM, Remedy.SCRAPE_OFF)
                        .forbids(OVER_IT),
                cause("too-young", "It is young: this is how it feels at its age", 0.08)
                        .shows("soft", 0.85)
                        .shows("dent", 0.5)
                        .shows("everywhere", 0.9)
                        .shows("nail-marks", 0.85)
                        .shows("firmer-now", 0.9)
                        .when(Fact.OF_CURED, -1, 0.6, 15, "it has only {ageH} h of cure")
                        .when(Fact.OF_CURED, 0.6, 1, 6, "it has only {ageH} h of cure")
                        .when(Fact.OF_CURED, 1, ALWAYS, -15, "it has {ageH} h of cure")
                        .helps(Remedy.WAIT)
                        .forbids(OVER_IT),
                cause("pooled", "It pooled thick at one end", 0.05)
                        .shows("soft", 0.4)
                        .shows("sag", 0.5)
                        .shows("ripples", 0.3)
                        .shows("one-end", 0.95)
                        .shows("nail-marks", 0.4)
                        .when(Fact.OF_CARRIED, 1, ALWAYS, 6, "{filmMm} mm where this turner carries {carriesMm} mm")
                        .when(
                                Fact.OF_CARRIED,
                                0,
                                0.6,
                                -5,
                                "{filmMm} mm, well below the {carriesMm} mm this turner carries")
                        .helps(Remedy.WAIT_AND_WARM, Remedy.SAND_FLAT_AND_COAT));
    }

    private static List<Making> surfaces() {
        return List.of(
                cause("residue", "Something was left on the surface: adhesive, solvent, silicone, a bare hand", 0.09)
                        .shows("fish-eyes", 0.8)
                        .shows("peeling-coat", 0.2)
                        .shows("pulled-back", 0.25)
                        .shows("where-wiped", 0.8)
                        .when(Fact.STENCIL, 1, ALWAYS, 8, "a stencil was peeled from the layer below")
                        .when(Fact.STENCIL, -1, 0.5, -2, "no stencil lay there")
                        .helps(Remedy.SCUFF_AND_COAT, Remedy.SAND_FLAT_AND_COAT),
                cause("below-wet", "What lay below was not dry or still gassing", 0.06)
                        .shows("fish-eyes", 0.45)
                        .shows("haze", 0.35)
                        .shows("micro-bubbles", 0.2)
                        .shows("faded", 0.2)
                        .shows("lifting", 0.2)
                        .when(Fact.BELOW_DRY, -1, 0.5, 12, "what lay below had not had its time to dry")
                        .when(Fact.BELOW_DRY, 0.5, ALWAYS, -7, "what lay below had its time to dry")
                        .helps(Remedy.SCUFF_AND_COAT, Remedy.LEAVE_IT),
                cause("not-wetted", "A spot was never wetted", 0.06)
                        .shows("fish-eyes", 0.55)
                        .shows("texture", 0.1)
                        .shows("dry-ground", 0.9)
                        .when(Fact.FILM_MM, 0, 0.25, 6, "only {filmMm} mm went on")
                        .when(Fact.FILM_MM, 0.5, ALWAYS, -4, "{filmMm} mm went on")
                        .helps(Remedy.SCUFF_AND_COAT),
                cause("damp-air", "The air was damp while it cured", 0.06)
                        .shows("haze", 0.7)
                        .shows("greasy", 0.35)
                        .shows("fish-eyes", 0.12)
                        .shows("everywhere", 0.8)
                        .when(
                                Fact.DEW_MARGIN_C,
                                -50,
                                3,
                                12,
                                "the room was {dewMarginC} °C above its dew point at the least; 3 are needed")
                        .when(
                                Fact.DEW_MARGIN_C,
                                3,
                                5,
                                3,
                                "the room was {dewMarginC} °C above its dew point at the least")
                        .when(Fact.DEW_MARGIN_C, 8, ALWAYS, -8, "the room stayed {dewMarginC} °C above its dew point")
                        .when(Fact.HUMIDITY, 75, ALWAYS, 8, "the humidity reached {humidity} %")
                        .when(Fact.HUMIDITY, 70, 75, 5, "the humidity reached {humidity} %")
                        .when(Fact.HUMIDITY, 0, 55, -6, "the humidity stayed below {humidity} %")
                        .helps(Remedy.THIN_COAT, Remedy.WASH, Remedy.LEAVE_IT),
                cause("slide-wet", "The water-slide was not dry", 0.04)
                        .shows("haze", 0.8)
                        .shows("under-slide", 0.95)
                        .when(Fact.SLIDE, -1, 0.5, -30, "there is no water-slide on it")
                        .when(Fact.SLIDE, 0.5, ALWAYS, 6, "there is a water-slide on it")
                        .when(Fact.BELOW_DRY, -1, 0.5, 6, "it had not dried overnight")
                        .when(Fact.BELOW_DRY, 0.5, ALWAYS, -6, "it had its time to dry")
                        .helps(Remedy.THIN_COAT, Remedy.LEAVE_IT),
                cause("solvent-trapped", "Solvent was not wiped off or flashed off", 0.05)
                        .shows("haze", 0.6)
                        .shows("fish-eyes", 0.35)
                        .shows("where-wiped", 0.8)
                        .when(Fact.SOLVENT_OFF, -1, 0.5, 12, "the solvent had not flashed off")
                        .when(Fact.SOLVENT_OFF, 0.5, ALWAYS, -7, "nothing with solvent was left wet")
                        .helps(Remedy.THIN_COAT, Remedy.SCUFF_AND_COAT, Remedy.LEAVE_IT),
                cause("paint-residue", "Paint loosened by distressing was left on it", 0.04)
                        .shows("haze", 0.75)
                        .shows("fish-eyes", 0.1)
                        .shows("where-wiped", 0.8)
                        .when(Fact.DISTRESSED, -1, 0.5, -30, "no paint was distressed below it")
                        .when(Fact.DISTRESSED, 0.5, ALWAYS, 6, "paint below it was lifted with solvent")
                        .when(Fact.RESIDUE_WIPED, -1, 0.5, 8, "what came loose was not wiped off with alcohol")
                        .when(Fact.RESIDUE_WIPED, 0.5, ALWAYS, -8, "what came loose was wiped off with alcohol")
                        .helps(Remedy.THIN_COAT, Remedy.LEAVE_IT),
                cause("blush", "Amine blush: a cold and damp cure sweats it out", 0.06)
                        .shows("greasy", 0.9)
                        .shows("haze", 0.2)
                        .shows("washes-off", 0.95)
                        .shows("everywhere", 0.7)
                        .when(Fact.AMBIENT_C, -50, 18, 6, "the room was at {ambientC} °C")
                        .when(Fact.AMBIENT_C, 22, ALWAYS, -4, "the room was at {ambientC} °C")
                        .when(Fact.HUMIDITY, 70, ALWAYS, 6, "the humidity reached {humidity} %")
                        .when(Fact.HUMIDITY, 0, 50, -5, "the humidity stayed below {humidity} %")
                        .helps(Remedy.WASH)
                        .forbids(OVER_IT));
    }

    private static List<Making> shapes() {
        return List.of(
                cause("too-thick-for-the-turner", "More film than the turner carries", 0.08)
                        .shows("sag", 0.85)
                        .shows("ripples", 0.6)
                        .shows("run-down", 0.25)
                        .when(Fact.OF_CARRIED, 1, ALWAYS, 14, "{filmMm} mm where this turner carries {carriesMm} mm")
                        .when(
                                Fact.OF_CARRIED,
                                0.8,
                                1,
                                5,
                                "{filmMm} mm, close to the {carriesMm} mm this turner carries")
                        .when(Fact.OF_CARRIED, 0, 0.8, -10, "{filmMm} mm where this turner carries {carriesMm} mm")
                        .helps(Remedy.SAND_FLAT_AND_COAT, Remedy.LEAVE_IT),
                cause("out-of-level", "The turner or the cup was not level", 0.06)
                        .shows("sag", 0.6)
                        .shows("ripples", 0.2)
                        .shows("soft", 0.05)
                        .shows("one-end", 0.9)
                        .helps(Remedy.SAND_FLAT_AND_COAT, Remedy.LEAVE_IT),
                cause("stopped-too-soon", "It came off the turner too soon", 0.05)
                        .shows("sag", 0.7)
                        .shows("run-down", 0.4)
                        .shows("ripples", 0.15)
                        .when(Fact.OF_TURNING, 0, 0.97, 12, "it turned {ofTurning%} of what its label asks")
                        .when(Fact.OF_TURNING, 0.97, ALWAYS, -12, "it turned as long as its label asks")
                        .helps(Remedy.SAND_FLAT_AND_COAT),
                cause("cold-thick-mix", "The mix was cold and thick and was not warmed", 0.06)
                        .shows("ripples", 0.5)
                        .shows("micro-bubbles", 0.45)
                        .shows("haze", 0.2)
                        .when(Fact.AMBIENT_C, -50, 18, 7, "the room was at {ambientC} °C")
                        .when(Fact.AMBIENT_C, 22, ALWAYS, -6, "the room was at {ambientC} °C")
                        .when(
                                Fact.RIPPLE_OF_GEL,
                                0.3,
                                ALWAYS,
                                5,
                                "a ripple took {rippleOfGel%} of the time until it gelled to level")
                        .helps(Remedy.SAND_FLAT_AND_COAT, Remedy.THIN_COAT));
    }

    private static List<Making> bubbles() {
        return List.of(
                cause("no-heat-pass", "No heat pass, or too late", 0.08)
                        .shows("micro-bubbles", 0.75)
                        .when(Fact.HEAT_PASS, -1, 0.5, 9, "no heat pass was made")
                        .when(Fact.HEAT_PASS, 0.5, ALWAYS, -10, "it had its heat pass")
                        .when(
                                Fact.BUBBLE_OF_WORKING,
                                1,
                                ALWAYS,
                                5,
                                "small bubbles needed {bubbleOfWorking%} of the working time to rise")
                        .when(
                                Fact.BUBBLE_OF_WORKING,
                                0,
                                0.3,
                                -4,
                                "even small bubbles rise in {bubbleOfWorking%} of the working time")
                        .helps(Remedy.THIN_COAT),
                cause("whipped", "The mix was stirred fast, and air with it", 0.05)
                        .shows("micro-bubbles", 0.6)
                        .shows("everywhere", 0.8)
                        .when(Fact.RESTED, -1, 0.5, 2, "the mix was not left to rest")
                        .when(Fact.RESTED, 0.5, ALWAYS, -3, "the mix was left to rest")
                        .helps(Remedy.THIN_COAT),
                cause("thick-coat", "The coat was thick", 0.05)
                        .shows("micro-bubbles", 0.45)
                        .shows("ripples", 0.2)
                        .when(Fact.FILM_MM, 0.7, ALWAYS, 6, "{filmMm} mm went on")
                        .when(Fact.FILM_MM, 0, 0.4, -6, "only {filmMm} mm went on")
                        .helps(Remedy.THIN_COAT, Remedy.SAND_FLAT_AND_COAT),
                cause("gassing-glue", "Glue or sealer below still gave off gas", 0.03)
                        .shows("micro-bubbles", 0.5)
                        .shows("fish-eyes", 0.15)
                        .when(Fact.GLUE, -1, 0.5, -25, "no glue lies below")
                        .when(Fact.GLUE, 0.5, ALWAYS, 4, "glue lies below")
                        .when(Fact.BELOW_DRY, -1, 0.5, 8, "it had not had its time to dry")
                        .when(Fact.BELOW_DRY, 0.5, ALWAYS, -5, "it had its time to dry")
                        .helps(Remedy.THIN_COAT));
    }

    private static List<Making> layers() {
        return List.of(
                cause("not-scuffed", "Coated outside the window without scuffing", 0.06)
                        .shows("peeling-coat", 0.85)
                        .shows("lifting", 0.15)
                        .when(
                                Fact.BELOW_OF_WINDOW,
                                1,
                                ALWAYS,
                                12,
                                "the coat below was at {belowOfWindow%} of the age after which it must be scuffed")
                        .when(Fact.BELOW_OF_WINDOW, 0, 0.5, -10, "the coat below was young enough to grip")
                        .when(Fact.SCUFFED, 0.5, ALWAYS, -12, "it was scuffed before")
                        .when(Fact.SCUFFED, -1, 0.5, 2, "it was not scuffed before")
                        .helps(Remedy.STRIP_BACK, Remedy.SCRAPE_OFF, Remedy.SCUFF_AND_COAT),
                cause("blush-not-washed", "A greasy film below was not washed off", 0.04)
                        .shows("peeling-coat", 0.5)
                        .shows("fish-eyes", 0.2)
                        .when(Fact.HUMIDITY, 70, ALWAYS, 3, "the humidity reached {humidity} %")
                        .when(Fact.HUMIDITY, 0, 50, -4, "the humidity stayed below {humidity} %")
                        .helps(Remedy.SCRAPE_OFF, Remedy.SCUFF_AND_COAT),
                cause("sanded-through", "Sanded through", 0.06)
                        .shows("silver", 0.9)
                        .when(Fact.CLEAR_COATS, 0, 2, 5, "only {clearCoats} clear coats lay over it")
                        .when(Fact.CLEAR_COATS, 3, ALWAYS, -4, "{clearCoats} clear coats lie over it")
                        .when(Fact.GRIT, 1, 150, 5, "it was sanded with {grit}")
                        .helps(Remedy.COLOUR_IN, Remedy.RE_GLITTER),
                cause("few-coats", "Too few coats over the flakes yet", 0.08)
                        .shows("texture", 0.92)
                        .shows("sparkle-rough", 0.8)
                        .when(Fact.CLEAR_COATS, 0, 2, 8, "{clearCoats} clear coats lie over it")
                        .when(Fact.CLEAR_COATS, 3, ALWAYS, -8, "{clearCoats} clear coats lie over it")
                        .when(Fact.COARSE, 0.5, ALWAYS, 4, "coarse flakes lie below")
                        .helps(Remedy.COAT_AGAIN)
                        .forbids(Remedy.SAND_FLAT_AND_COAT),
                cause("adhesive-uneven", "Adhesive too thick, too thin or brushed in lines", 0.08)
                        .shows("patchy", 0.85)
                        .shows("run-down", 0.15)
                        .helps(Remedy.RE_GLITTER, Remedy.LEAVE_IT),
                cause("adhesive-ran", "So much adhesive that the glitter ran with it", 0.05)
                        .shows("run-down", 0.7)
                        .shows("patchy", 0.2)
                        .helps(Remedy.RE_GLITTER, Remedy.LEAVE_IT),
                cause("metallic-unsealed", "Metallic or textured vinyl that was not sealed", 0.04)
                        .shows("lifting", 0.75)
                        .when(Fact.METALLIC, -1, 0.5, -25, "no metallic vinyl lies there")
                        .when(Fact.METALLIC, 0.5, ALWAYS, 5, "metallic vinyl lies there")
                        .when(Fact.SEALED, -1, 0.5, 7, "it was not sealed")
                        .when(Fact.SEALED, 0.5, ALWAYS, -7, "it was sealed")
                        .helps(Remedy.PRESS_AND_SEAL),
                cause("edge-over-bump", "The edge lies over a seam or a bump", 0.06)
                        .shows("lifting", 0.6)
                        .shows("on-a-bump", 0.9)
                        .helps(Remedy.PRESS_AND_SEAL, Remedy.THIN_COAT),
                cause("not-sealed", "Ink or soot that was not sealed", 0.05)
                        .shows("faded", 0.8)
                        .when(Fact.INK, -1, 0.5, -25, "there is neither ink nor soot on it")
                        .when(Fact.INK, 0.5, ALWAYS, 4, "there is ink or soot below")
                        .when(Fact.SEALED, -1, 0.5, 8, "it was not sealed")
                        .when(Fact.SEALED, 0.5, ALWAYS, -7, "it was sealed")
                        .helps(Remedy.LEAVE_IT, Remedy.COLOUR_IN));
    }

    private static List<Making> edgesAndColours() {
        return List.of(
                cause("hot-coat", "The coat over it ran hot", 0.03)
                        .shows("faded", 0.4)
                        .shows("yellow", 0.3)
                        .shows("got-hot", 0.9)
                        .when(Fact.MIX_ML, 100, ALWAYS, 5, "{mixMl} ml were mixed at once")
                        .when(Fact.MIX_ML, 0, 60, -4, "only {mixMl} ml were mixed at once")
                        .helps(Remedy.LEAVE_IT),
                cause("old-hardener", "The hardener was old", 0.04)
                        .shows("yellow", 0.6)
                        .shows("everywhere", 0.9)
                        .when(Fact.OPEN_DAYS, 365, ALWAYS, 8, "the hardener had been open for {openDays} days")
                        .when(Fact.OPEN_DAYS, 0, 180, -7, "the hardener had been open for {openDays} days")
                        .helps(Remedy.LEAVE_IT),
                cause("torched-too-long", "The torch stayed too long", 0.04)
                        .shows("yellow", 0.5)
                        .helps(Remedy.LEAVE_IT, Remedy.SAND_FLAT_AND_COAT),
                cause("rim-bridged", "Epoxy bridges the rim or the base", 0.06)
                        .shows("chip", 0.8)
                        .when(Fact.STEEL_LINE, -1, 0.5, 6, "no bare line was left")
                        .when(Fact.STEEL_LINE, 0.5, ALWAYS, -6, "a bare line was left")
                        .helps(Remedy.SAND_THE_RIM, Remedy.STRIP_BACK),
                cause("dropped", "It fell, or was knocked", 0.05)
                        .shows("chip", 0.6)
                        .shows("dent", 0.05)
                        .helps(Remedy.SAND_THE_RIM, Remedy.COLOUR_IN),
                cause("thin-edge", "The coat is thin at the edge", 0.06)
                        .shows("pulled-back", 0.7)
                        .when(Fact.STEEL_LINE, -1, 0.5, 3, "no bare line was left")
                        .when(Fact.STEEL_LINE, 0.5, ALWAYS, -3, "a bare line was left")
                        .helps(Remedy.SAND_THE_RIM),
                cause("coarse-grit", "Sanded too coarsely for the last coat", 0.06)
                        .shows("scratches", 0.8)
                        .when(Fact.GRIT, 1, 180, 6, "it was sanded with {grit}")
                        .when(Fact.GRIT, 220, ALWAYS, -4, "the coarsest it was sanded with was {grit}")
                        .helps(Remedy.THIN_COAT),
                cause("sanded-under-slide", "Sanded where the water-slide went", 0.03)
                        .shows("scratches", 0.6)
                        .shows("under-slide", 0.9)
                        .when(Fact.SLIDE, -1, 0.5, -30, "there is no water-slide on it")
                        .when(Fact.SLIDE, 0.5, ALWAYS, 5, "there is a water-slide on it")
                        .helps(Remedy.LEAVE_IT, Remedy.THIN_COAT),
                cause("dust-in-the-air", "Dust in the air or on the glove", 0.08)
                        .shows("dust", 0.9)
                        .shows("nibs", 0.5)
                        .helps(Remedy.SAND_FLAT_AND_COAT, Remedy.LEAVE_IT),
                cause("flakes-stand-up", "Single flakes stand up under the coat", 0.06)
                        .shows("nibs", 0.8)
                        .shows("texture", 0.2)
                        .shows("sparkle-rough", 0.5)
                        .when(Fact.COARSE, 0.5, ALWAYS, 5, "coarse flakes lie below")
                        .when(Fact.CLEAR_COATS, 3, ALWAYS, -4, "{clearCoats} clear coats lie over it")
                        .helps(Remedy.SAND_FLAT_AND_COAT, Remedy.COAT_AGAIN),
                cause("crumbs-in-the-mix", "Cured crumbs from pot, stick or brush got in", 0.04)
                        .shows("nibs", 0.7)
                        .helps(Remedy.SAND_FLAT_AND_COAT, Remedy.LEAVE_IT),
                cause("touched-too-soon", "It was touched before it was firm", 0.06)
                        .shows("dent", 0.9)
                        .shows("dust", 0.1)
                        .when(Fact.WORKED_TOO_SOON, 0.5, ALWAYS, 9, "it was worked on before it was sandable")
                        .when(Fact.OF_CURED, -1, 0.3, 4, "it has only {ageH} h of cure")
                        .helps(Remedy.SAND_FLAT_AND_COAT, Remedy.LEAVE_IT));
    }

    private static List<Sign> signs() {
        List<Sign> signs = new ArrayList<>();
        Map<Blemish, Double> leaks = new HashMap<>();
        leaks.put(Blemish.FISH_EYES, 0.03);
        leaks.put(Blemish.MICRO_BUBBLES, 0.03);
        leaks.put(Blemish.RIPPLES, 0.03);
        leaks.put(Blemish.TEXTURE, 0.03);
        leaks.put(Blemish.PATCHY, 0.03);
        leaks.put(Blemish.PEELING_COAT, 0.01);
        leaks.put(Blemish.YELLOW, 0.01);
        leaks.put(Blemish.PULLED_BACK, 0.03);
        leaks.put(Blemish.SCRATCHES, 0.03);
        leaks.put(Blemish.DUST, 0.03);
        leaks.put(Blemish.NIBS, 0.03);
        for (Blemish fault : Blemish.values()) {
            signs.add(new Sign(
                    fault.written(), "", leaks.getOrDefault(fault, USUAL_LEAK), "it goes with " + fault.words(), ""));
        }
        signs.add(new Sign(
                "in-streaks",
                "Is it soft in streaks or spots, and firm between them?",
                0.05,
                "it is in streaks or spots",
                "it is not in streaks"));
        signs.add(new Sign("everywhere", "Is it all over the cup?", 0.1, "it is all over", "it is not all over"));
        signs.add(new Sign(
                "one-end",
                "Is it at one end of the cup, or much worse there?",
                0.08,
                "it is at one end",
                "it is no worse at one end"));
        signs.add(new Sign(
                "nail-marks",
                "Does a fingernail leave a mark?",
                0.05,
                "a fingernail leaves a mark",
                "a fingernail leaves no mark"));
        signs.add(new Sign(
                "firmer-now",
                "Is it firmer than it was yesterday?",
                0.1,
                "it is firmer than it was",
                "it is no firmer than it was"));
        signs.add(new Sign(
                "washes-off",
                "Does warm soapy water take it off?",
                0.03,
                "warm soapy water takes it off",
                "soap does not take it off"));
        signs.add(new Sign(
                "where-wiped",
                "Is it where a stencil, tape or solvent was?",
                0.06,
                "it is where a stencil, tape or solvent was",
                "it is not where a stencil, tape or solvent was"));
        signs.add(new Sign(
                "dry-ground",
                "Does a crater show dry ground?",
                0.05,
                "the craters show dry ground",
                "the craters are wet through"));
        signs.add(new Sign(
                "under-slide",
                "Is it under a water-slide, and only there?",
                0.02,
                "it is under the water-slide",
                "it is not only under a water-slide"));
        signs.add(new Sign(
                "sparkle-rough",
                "Does it feel like sand when you stroke it, all over the glitter?",
                0.05,
                "it feels like sand over the glitter",
                "it does not feel like sand"));
        signs.add(new Sign(
                "on-a-bump",
                "Does the edge lie over a seam or a bump?",
                0.08,
                "the edge lies over a bump",
                "no bump lies below"));
        signs.add(new Sign("got-hot", "Did the pot get hot or smoke?", 0.03, "the pot got hot", "the pot stayed cool"));
        return signs;
    }

    private static Making cause(String key, String words, double prior) {
        return new Making(key, words, prior);
    }

    /** A cause while it is written down. */
    private static final class Making {
        private final String key;
        private final String words;
        private final double prior;
        private final Map<String, Double> shows = new HashMap<>();
        private final List<Evidence> evidence = new ArrayList<>();
        private List<Remedy> helps = List.of();
        private final List<Remedy> forbids = new ArrayList<>();

        Making(String key, String words, double prior) {
            this.key = key;
            this.words = words;
            this.prior = prior;
        }

        Making shows(String sign, double chance) {
            shows.put(sign, chance);
            return this;
        }

        Making when(Fact fact, double from, double below, double decibans, String why) {
            evidence.add(new Evidence(fact, from, below, decibans, why));
            return this;
        }

        Making helps(Remedy... remedies) {
            helps = List.of(remedies);
            return this;
        }

        Making forbids(Remedy... remedies) {
            forbids.addAll(List.of(remedies));
            return this;
        }

        Cause made() {
            return new Cause(key, words, prior, evidence, shows, helps, Set.copyOf(forbids));
        }
    }
}
