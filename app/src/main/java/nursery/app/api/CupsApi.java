package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import nursery.app.floor.Floors;
import nursery.core.cure.CoatTimes;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.log.CupState.Concern;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.NextAction;
import nursery.core.log.Spindle;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "Cups", description = "What the bench shows, for other programs; read only")
class CupsApi {

    private final Floors floors;

    CupsApi(Floors floors) {
        this.floors = floors;
    }

    /** The next thing a cup needs; {@code readiness} is WAITING, OPEN or CLOSED. */
    record NextAnswer(
            String title,
            String readiness,
            Instant opensAt,
            @Nullable Instant closesAtExclusive,
            String why,
            @Nullable String ifMissed) {}

    /** A coat: its amount in ml, its equivalent age in hours at the label's temperature, and its windows. */
    record CoatAnswer(
            String title,
            Instant pouredAt,
            double amountMl,
            double ageHours,
            String phase,
            Instant offTurnerFrom,
            Instant recoatFrom,
            Instant recoatUntil,
            Instant sandableFrom,
            Instant sandableSure,
            Instant scuffAfter,
            Instant fullCureAt) {}

    record CupAnswer(
            String code,
            String name,
            String madeFor,
            @Nullable LocalDate dueOn,
            double coatedCm2,
            @Nullable String spindle,
            @Nullable NextAnswer next,
            List<CoatAnswer> coats,
            List<String> concerns) {}

    @GetMapping("/api/cups")
    @Operation(
            summary = "All cups on the floor as they are now",
            description = "Those handed over, abandoned or fully cured for long are asked for by their codes.")
    List<CupAnswer> all() {
        Floor floor = floors.now();
        return floor.cups().stream().map(cup -> answer(cup, floor)).toList();
    }

    @GetMapping("/api/cups/{code}")
    @Operation(summary = "One cup as it is now", description = "By the code on its tape; 404 if there is none.")
    CupAnswer one(@PathVariable String code) {
        return answer(floors.named(code), floors.now());
    }

    private static CupAnswer answer(CupNow now, Floor floor) {
        Cup cup = now.cup();
        LocalDate due = cup.promise()
                .dueAt()
                .map(at -> at.atZone(floor.ways().zone()).toLocalDate())
                .orElse(null);
        return new CupAnswer(
                cup.code(),
                cup.about().name(),
                cup.about().madeFor(),
                due,
                cup.blank().area().coatedCm2(),
                now.state().hold().map(SpindleHold::spindle).map(Spindle::name).orElse(null),
                now.state().next().map(next -> next(next, floor.now())).orElse(null),
                now.state().coats().stream()
                        .map(coat -> coat(coat, floor.now()))
                        .toList(),
                now.state().concerns().stream().map(Concern::message).toList());
    }

    private static NextAnswer next(NextAction next, Instant now) {
        return new NextAnswer(
                next.title(),
                next.readinessAt(now).name(),
                next.window().opensAt(),
                next.window().closesAtExclusive().orElse(null),
                next.why(),
                next.ifMissed().orElse(null));
    }

    private static CoatAnswer coat(CoatOnCup coat, Instant now) {
        CoatTimes times = coat.times();
        return new CoatAnswer(
                coat.step().title(),
                times.pouredAt(),
                coat.pour().amountMl(),
                times.ageHoursAt(now),
                times.phaseAt(now).word(),
                times.offTurnerFrom(),
                times.tackWindow().opensAt(),
                times.tackWindow().closesAtExclusive().orElseThrow(),
                times.sandableFrom(),
                times.sandableSure(),
                times.scuffAfter(),
                times.fullCureAt());
    }
}
