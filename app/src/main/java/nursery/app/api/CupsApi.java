package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import nursery.app.cups.CupBook;
import nursery.app.cups.CupOnBench;
import nursery.app.platform.Moments;
import nursery.core.cure.CoatTimes;
import nursery.core.log.CoatOnCup;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.NextAction;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;

@RestController
@Tag(name = "Cups", description = "What the bench shows, for other programs; read only")
class CupsApi {

    private final CupBook cups;
    private final Moments moments;

    CupsApi(CupBook cups, Moments moments) {
        this.cups = cups;
        this.moments = moments;
    }

    /** The next thing a cup needs; {@code readiness} is WAITING, OPEN or CLOSED. */
    record NextAnswer(String title, String readiness, Instant opensAt, @Nullable Instant closesAtExclusive, String why, @Nullable String ifMissed) {}

    /** A coat: its amount in ml, its equivalent age in hours at the label's temperature, and its windows. */
    record CoatAnswer(String title, Instant pouredAt, double amountMl, double ageHours, String phase, Instant offTurnerFrom,
            Instant recoatFrom, Instant recoatUntil, Instant sandableFrom, Instant sandableSure, Instant scuffAfter, Instant fullCureAt) {}

    record CupAnswer(String code, String name, String madeFor, @Nullable LocalDate dueOn, double coatedCm2, @Nullable String spindle,
            @Nullable NextAnswer next, List<CoatAnswer> coats, List<String> concerns) {}

    @GetMapping("/api/cups")
    @Operation(summary = "All cups as they are now")
    List<CupAnswer> all() {
        Instant now = moments.now();
        return cups.all().stream().map(cup -> answer(cup, now)).toList();
    }

    @GetMapping("/api/cups/{code}")
    @Operation(summary = "One cup as it is now", description = "By the code on its tape; 404 if there is none.")
    CupAnswer one(@PathVariable String code) {
        return cups.cup(code).map(cup -> answer(cup, moments.now()))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no cup " + code + "."));
    }

    private static CupAnswer answer(CupOnBench cup, Instant now) {
        return new CupAnswer(cup.cup().code(), cup.cup().name(), cup.cup().madeFor(), cup.cup().dueOn().orElse(null),
                cup.file().blank().area().coatedCm2(), cup.state().hold().map(SpindleHold::spindle).map(spindle -> spindle.name()).orElse(null),
                cup.state().next().map(next -> next(next, now)).orElse(null), cup.state().coats().stream().map(coat -> coat(coat, now)).toList(),
                cup.state().concerns().stream().map(concern -> concern.message()).toList());
    }

    private static NextAnswer next(NextAction next, Instant now) {
        return new NextAnswer(next.title(), next.readinessAt(now).name(), next.window().opensAt(), next.window().closesAtExclusive().orElse(null),
                next.why(), next.ifMissed().orElse(null));
    }

    private static CoatAnswer coat(CoatOnCup coat, Instant now) {
        CoatTimes times = coat.times();
        return new CoatAnswer(coat.step().title(), times.pouredAt(), coat.pour().amountMl(), times.ageHoursAt(now), times.phaseAt(now).word(),
                times.offTurnerFrom(), times.tackWindow().opensAt(), times.tackWindow().closesAtExclusive().orElseThrow(), times.sandableFrom(),
                times.sandableSure(), times.scuffAfter(), times.fullCureAt());
    }
}
