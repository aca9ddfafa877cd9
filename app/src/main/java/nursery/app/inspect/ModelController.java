package nursery.app.inspect;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Upload;
import nursery.core.inspect.OwnRemedy;
import nursery.core.inspect.Remedy;
import nursery.core.log.Blemish;
import nursery.core.technique.StepKind;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** What goes wrong, as a file that goes out and comes in, and with causes of one's own. */
@Controller
class ModelController {

    private static final int LONGEST_WORDS = 120;
    private static final Map<String, Double> OFTEN = Map.of("seldom", 0.2, "sometimes", 0.4);
    private static final double USUALLY = 0.7;

    private final CaseBook cases;
    private final HereController here;
    private final FormPost posts;

    ModelController(CaseBook cases, HereController here, FormPost posts) {
        this.cases = cases;
        this.here = here;
        this.posts = posts;
    }

    @GetMapping(value = "/faults/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file() {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("causes.faults.json")
                                .build()
                                .toString())
                .body(ModelFile.write(cases.model()));
    }

    @GetMapping(value = "/faults/schema.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> schema() {
        return ResponseEntity.ok(ModelFile.schemaFile());
    }

    @PostMapping("/faults/import")
    ModelAndView take(
            @RequestParam Map<String, String> typed,
            @RequestParam("file") MultipartFile file,
            Model model,
            HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    cases.take(
                            ModelFile.read(Upload.bytes(file)),
                            Maker.of(request).name());
                    return "/faults";
                },
                form -> here.page(form, model));
    }

    @PostMapping("/faults/forget")
    ModelAndView forget(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    cases.forget();
                    return "/faults";
                },
                form -> here.page(form, model));
    }

    @PostMapping("/faults/cause")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    String words = reader.line("words", "What it is", LONGEST_WORDS, true);
                    Optional<Blemish> fault = Blemish.named(reader.raw("shown"));
                    reader.faults().require(fault.isPresent(), "shown", "Choose how it shows.");
                    String own = reader.line("own", "What you do about it", LONGEST_WORDS, false);
                    List<StepKind> steps = IntStream.range(0, OwnRemedy.MOST_STEPS)
                            .boxed()
                            .flatMap(i -> StepKind.named(reader.raw("step-" + i)).stream())
                            .toList();
                    reader.faults().require(steps.isEmpty() || !own.isEmpty(), "own", "Say what the steps are for.");
                    double shows = OFTEN.getOrDefault(reader.raw("often"), USUALLY);
                    reader.faults().throwIfAny();
                    cases.add(
                            words,
                            fault.orElseThrow(),
                            shows,
                            Remedy.named(reader.raw("helps")),
                            new CaseBook.Own(own, steps),
                            Maker.of(request).name());
                    return "/faults";
                },
                form -> here.page(form, model));
    }
}
