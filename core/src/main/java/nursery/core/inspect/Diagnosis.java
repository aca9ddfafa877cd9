package nursery.core.inspect;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.core.log.Blemish;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;

/**
 * What is behind what is seen, how sure that is, what would tell more, and what can be done.
 *
 * @param held causes that could be behind it, those of what was seen last before those of what was seen earlier, the
 *     likeliest first
 * @param unknown how likely it is that none of the causes known is
 * @param asks questions worth a touch, the one whose answer is expected to tell the most first
 * @param offers what can be done, best first
 * @param left faults left out because more than {@link #MOST_FAULTS} were seen at once
 */
public record Diagnosis(List<Held> held, double unknown, List<Ask> asks, List<Offer> offers, int left) {

    /** More kinds of fault than this at once are not weighed together; the worst of them are. */
    public static final int MOST_FAULTS = 10;

    /** Below this a cause is not spoken of. */
    private static final double WORTH_SAYING = 0.05;
    /** From here on the leading cause is called likely. */
    private static final double LIKELY = 0.5;
    /** A cause this likely forbids what it forbids. */
    private static final double FORBIDS = 0.15;

    private static final double WORTH_ASKING_BITS = 0.03;
    /** A share that moves by less reads the same. */
    private static final double MOVES = 0.02;

    private static final int MOST_REASONS = 3;
    private static final double WORTH_A_REASON = 2;

    /**
     * A cause with its share of certainty and what speaks most for and against it.
     *
     * @param isOfBefore whether it is behind something that was seen at an earlier look, and behind nothing seen last
     * @param stands whether nothing may cover it whatever its share: a ratio measured wrong, or one that nobody
     *     measured below a coat that is soft all over
     */
    public record Held(Cause cause, double share, List<Reason> reasons, boolean isOfBefore, boolean stands) {

        /** P39: a coat that was mixed wrong stays soft below whatever is laid over it. */
        private boolean forbids(Treatment remedy) {
            return cause.forbids(remedy) && (stands || share >= FORBIDS)
                    || stands && (remedy.coversUp() || remedy == Remedy.LEAVE_IT);
        }
    }

    /** @param decibans above 0 for it, below 0 against it */
    public record Reason(String words, double decibans) {}

    /** A question and what its answer is expected to tell, in bits. */
    public record Ask(Sign sign, double bits) {}

    /**
     * Something that can be done.
     *
     * @param serves how likely it meets what is wrong
     * @param against the cause that forbids it, if one does; then it is not to be chosen
     */
    public record Offer(Treatment remedy, double serves, Optional<Cause> against) {}

    /** Whether one cause stands out; where none does nobody can tell. */
    public boolean tells() {
        return !held.isEmpty() && held.get(0).share() >= LIKELY && held.get(0).share() > unknown;
    }

    /** What may be behind what was seen last. */
    public List<Held> ofLast() {
        return held.stream().filter(one -> !one.isOfBefore()).toList();
    }

    /** What is behind something that was seen before, and explains nothing that was seen last. */
    public List<Held> ofBefore() {
        return held.stream().filter(Held::isOfBefore).toList();
    }

    /** This without a question that was passed over: the next best one is asked, if there is one. */
    public Diagnosis without(Set<String> passed) {
        return new Diagnosis(
                held,
                unknown,
                asks.stream().filter(ask -> !passed.contains(ask.sign().key())).toList(),
                offers,
                left);
    }

    /** The question whose answer is expected to tell the most; empty if none tells enough to be worth a touch. */
    public Optional<Ask> ask() {
        return asks.stream().findFirst();
    }

    /** @param answers to questions, by the sign's key */
    public static Diagnosis of(Model model, List<Sighting> seen, Map<String, Boolean> answers, Facts facts) {
        return of(model, new CupFaults.Look(seen, List.of()), answers, facts);
    }

    /** Of several looks: what was seen last is not explained by what brought about an older fault. */
    public static Diagnosis of(Model model, CupFaults.Look look, Map<String, Boolean> answers, Facts facts) {
        List<Sighting> seen =
                Stream.concat(look.last().stream(), look.before().stream()).toList();
        List<String> faults = seen.stream()
                .sorted(Comparator.comparing(Sighting::extent).reversed())
                .map(one -> one.fault().written())
                .distinct()
                .filter(fault -> model.sign(fault).isPresent())
                .toList();
        List<String> weighed = faults.subList(0, Math.min(MOST_FAULTS, faults.size()));
        Map<String, Boolean> known = new LinkedHashMap<>();
        whereItIs(seen).forEach((sign, there) -> model.sign(sign).ifPresent(found -> known.put(sign, there)));
        answers.forEach(
                (sign, there) -> model.sign(sign).filter(Sign::isAsked).ifPresent(found -> known.put(sign, there)));
        Network network = network(model, weighed, known, facts);
        double[] shares = network.shares();
        List<Held> held = IntStream.range(0, shares.length)
                .filter(i -> explains(model.causes().get(i), weighed) && shares[i] >= WORTH_SAYING
                        || stands(model.causes().get(i), seen, facts))
                .mapToObj(i -> new Held(
                        model.causes().get(i),
                        shares[i],
                        reasons(model, model.causes().get(i), weighed, known, facts),
                        explainsOnly(model.causes().get(i), look.before(), look.last()),
                        stands(model.causes().get(i), seen, facts)))
                .sorted(Comparator.comparing(Held::isOfBefore).thenComparing(one -> -one.share()))
                .toList();
        return new Diagnosis(
                held,
                noneOf(model, weighed, network),
                weighed.isEmpty() ? List.of() : asks(model, known, network, weighed, held),
                offers(held),
                faults.size() - weighed.size());
    }

    /** What the place of a fault answers without being asked. */
    private static Map<String, Boolean> whereItIs(List<Sighting> seen) {
        Map<String, Boolean> signs = new LinkedHashMap<>();
        if (!seen.isEmpty()) {
            signs.put("everywhere", seen.stream().anyMatch(one -> one.zone() == Zone.ALL));
        }
        if (seen.stream().anyMatch(one -> one.zone().isAnEnd())) {
            signs.put("one-end", true);
        }
        return signs;
    }

    private static Network network(Model model, List<String> faults, Map<String, Boolean> known, Facts facts) {
        List<Sign> there = Stream.concat(
                        faults.stream(),
                        known.entrySet().stream().filter(Map.Entry::getValue).map(Map.Entry::getKey))
                .flatMap(key -> model.sign(key).stream())
                .toList();
        List<double[]> absent = known.entrySet().stream()
                .filter(entry -> !entry.getValue())
                .flatMap(entry -> model.sign(entry.getKey()).stream())
                .map(model::bearing)
                .toList();
        return new Network(
                model.causes().stream().mapToDouble(cause -> cause.given(facts)).toArray(),
                there.stream().map(model::bearing).toList(),
                there.stream().mapToDouble(Sign::leak).toArray(),
                absent);
    }

    /** Whether a wrong ratio was measured, or may well be: soft all over, and nobody measured. */
    private static boolean stands(Cause cause, List<Sighting> seen, Facts facts) {
        List<Evidence> ofTheRatio = cause.evidence().stream()
                .filter(one -> one.fact() == Fact.RATIO_OFF && one.decibans() > 0)
                .toList();
        boolean isSoft = seen.stream().anyMatch(one -> one.fault() == Blemish.SOFT && one.zone() == Zone.ALL);
        return ofTheRatio.stream().anyMatch(one -> one.speaks(facts))
                || !ofTheRatio.isEmpty()
                        && isSoft
                        && facts.value(Fact.RATIO_OFF).isEmpty();
    }

    private static boolean explains(Cause cause, List<String> faults) {
        return faults.stream().anyMatch(fault -> cause.shows(fault) > 0);
    }

    private static double noneOf(Model model, List<String> faults, Network network) {
        Network.Held[] held = network.open();
        for (int i = 0; i < held.length; i++) {
            if (explains(model.causes().get(i), faults)) {
                held[i] = Network.Held.ABSENT;
            }
        }
        return network.weight(held) / network.weight();
    }

    /** Whether a cause is behind something seen before, and behind nothing that was seen last. */
    private static boolean explainsOnly(Cause cause, List<Sighting> before, List<Sighting> last) {
        return explains(cause, written(before)) && !explains(cause, written(last));
    }

    private static List<String> written(List<Sighting> seen) {
        return seen.stream().map(one -> one.fault().written()).toList();
    }

    /** Questions that can change something of what is shown, by what they tell of the causes that can be behind it. */
    private static List<Ask> asks(
            Model model, Map<String, Boolean> known, Network network, List<String> faults, List<Held> held) {
        boolean[] ofInterest = new boolean[model.causes().size()];
        for (int i = 0; i < ofInterest.length; i++) {
            ofInterest[i] = explains(model.causes().get(i), faults);
        }
        return model.signs().stream()
                .filter(sign -> sign.isAsked() && !known.containsKey(sign.key()))
                .map(sign -> new Ask(sign, network.informationBits(model.bearing(sign), sign.leak(), ofInterest)))
                .filter(ask -> ask.bits() >= WORTH_ASKING_BITS && moves(model, network, ask.sign(), held))
                .sorted(Comparator.comparing(Ask::bits).reversed())
                .toList();
    }

    /** Whether either answer moves a share that is shown. */
    private static boolean moves(Model model, Network network, Sign sign, List<Held> held) {
        int[] shown = held.stream()
                .mapToInt(one -> model.causes().indexOf(one.cause()))
                .toArray();
        double[] asked = model.bearing(sign);
        double[] yes = network.with(asked, sign.leak()).shares(shown);
        double[] no = network.without(asked).shares(shown);
        return IntStream.range(0, shown.length)
                .anyMatch(i -> Math.abs(yes[i] - held.get(i).share()) >= MOVES
                        || Math.abs(no[i] - held.get(i).share()) >= MOVES);
    }

    private static List<Reason> reasons(
            Model model, Cause cause, List<String> faults, Map<String, Boolean> known, Facts facts) {
        List<Reason> reasons = new ArrayList<>();
        List<Reason> ofTheLog = cause.evidence().stream()
                .filter(evidence -> evidence.speaks(facts))
                .map(evidence -> new Reason(facts.told(evidence.words()), evidence.decibans()))
                .toList();
        known.forEach((key, there) -> model.sign(key).ifPresent(sign -> {
            double shows = cause.shows(key);
            double ratio = there ? (1 - (1 - sign.leak()) * (1 - shows)) / sign.leak() : 1 - shows;
            reasons.add(new Reason(there ? sign.yes() : sign.no(), 10 * Math.log10(ratio)));
        }));
        for (String fault : faults.size() > 1 ? faults : List.<String>of()) {
            model.sign(fault).ifPresent(sign -> {
                double ratio = (1 - (1 - sign.leak()) * (1 - cause.shows(fault))) / sign.leak();
                reasons.add(new Reason(sign.yes(), 10 * Math.log10(ratio)));
            });
        }
        return strongest(ofTheLog, reasons);
    }

    /** Three: what is seen is known to the maker, so two of the log's own figures stand there if it has them. */
    private static List<Reason> strongest(List<Reason> ofTheLog, List<Reason> seen) {
        List<Reason> chosen = new ArrayList<>(
                byStrength(ofTheLog.stream()).limit(MOST_REASONS - 1L).toList());
        List<Reason> others = byStrength(Stream.concat(ofTheLog.stream(), seen.stream()))
                .filter(reason -> !chosen.contains(reason))
                .toList();
        chosen.addAll(others.subList(0, Math.min(others.size(), MOST_REASONS - chosen.size())));
        return byStrength(chosen.stream()).toList();
    }

    private static Stream<Reason> byStrength(Stream<Reason> reasons) {
        return reasons.filter(reason -> Math.abs(reason.decibans()) >= WORTH_A_REASON)
                .sorted(Comparator.comparing(reason -> -Math.abs(reason.decibans())));
    }

    private static List<Offer> offers(List<Held> held) {
        Map<Treatment, Double> serves = new LinkedHashMap<>();
        for (Held one : held) {
            one.cause().own().ifPresent(own -> serves.merge(own, one.share(), Double::sum));
            for (int i = 0; i < one.cause().helps().size(); i++) {
                serves.merge(one.cause().helps().get(i), one.share() / (i + 1), Double::sum);
            }
        }
        return serves.entrySet().stream()
                .map(entry -> new Offer(entry.getKey(), Math.min(1, entry.getValue()), against(entry.getKey(), held)))
                .sorted(Comparator.comparing((Offer offer) -> offer.against().isPresent())
                        .thenComparing(offer -> -offer.serves()))
                .toList();
    }

    /** The cause that forbids something while it may be behind this; also of what is not offered. */
    public Optional<Cause> against(Treatment remedy) {
        return against(remedy, held);
    }

    private static Optional<Cause> against(Treatment remedy, List<Held> held) {
        return held.stream().filter(one -> one.forbids(remedy)).map(Held::cause).findFirst();
    }
}
