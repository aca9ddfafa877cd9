package nursery.app.made;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.cups.CupLayers;
import nursery.app.floor.Floors;
import nursery.app.people.Makers;
import nursery.app.people.Seat;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Pdf;
import nursery.app.platform.Seen;
import nursery.core.floor.CupNow;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.ModelAndView;

/** The logbook: each cup's story, and a search over all of them. */
@Controller
class StoryController {

    private static final int LONGEST = 1000;
    private static final int PRINTED_PHOTOS = 6;

    private final StoryBook stories;
    private final PhotoBook photos;
    private final Floors floors;
    private final Makers makers;
    private final Pdf pdf;
    private final FormPost posts;

    StoryController(StoryBook stories, PhotoBook photos, Floors floors, Makers makers, Pdf pdf, FormPost posts) {
        this.stories = stories;
        this.photos = photos;
        this.floors = floors;
        this.makers = makers;
        this.pdf = pdf;
        this.posts = posts;
    }

    private boolean priced() {
        return makers.seat().filter(Seat::isMaker).isPresent();
    }

    @GetMapping("/cups/{code}/story")
    String story(@PathVariable String code, Model model) {
        CupNow cup = floors.named(code);
        Story story = stories.of(cup, priced());
        return page(cup, story, Form.fresh(Map.of("words", nextTime(story))), model);
    }

    private static String nextTime(Story story) {
        return Optional.ofNullable(story.nextTime()).orElse("");
    }

    private String page(CupNow cup, Story story, Form form, Model model) {
        model.addAttribute("story", story);
        model.addAttribute("kept", Seen.of(nextTime(story)));
        model.addAttribute("cup", cup.cup());
        model.addAttribute("form", form);
        model.addAttribute("photos", photos.of(cup.cup().id()));
        model.addAttribute("walls", CupLayers.walls(cup, floors.show()));
        return "made/story";
    }

    @PostMapping("/cups/{code}/story")
    ModelAndView nextTime(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow cup = floors.named(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Seen.check(typed, Seen.of(nextTime(stories.of(cup, false))));
                    String words = reader.text("words", "What you would do otherwise", LONGEST);
                    reader.faults().throwIfAny();
                    stories.write(cup.cup().id(), words, Maker.of(request).name());
                    return "/cups/" + code + "/story#next-time";
                },
                form -> page(cup, stories.of(cup, priced()), form, model));
    }

    @GetMapping("/cups/{code}/story.pdf")
    ResponseEntity<byte[]> print(@PathVariable String code) {
        CupNow cup = floors.named(code);
        Map<String, Object> model = new HashMap<>();
        model.put("story", stories.of(cup, priced()));
        model.put("show", floors.show());
        model.put(
                "pictures",
                photos.of(cup.cup().id()).stream()
                        .limit(PRINTED_PHOTOS)
                        .flatMap(photo -> photos.file(photo.small()).stream())
                        .map(bytes ->
                                "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(bytes))
                        .toList());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=" + cup.cup().code() + ".pdf")
                .body(pdf.of("made/story-print", model));
    }

    @GetMapping("/api/cups/{code}/story")
    @ResponseBody
    @Operation(
            summary = "A cup's whole story",
            description = "By the schema at /stories/schema.json. A program sees no costs.")
    Story told(@PathVariable String code) {
        return stories.of(floors.named(code), false);
    }

    @GetMapping(value = "/stories/schema.json", produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    byte[] schema() throws IOException {
        return new ClassPathResource("made/story.schema.json").getContentAsByteArray();
    }

    /** Everything that was ever written about cups, searched. */
    @GetMapping("/stories")
    String search(@RequestParam(defaultValue = "") String find, Model model) {
        String words = find.length() > 80 ? find.substring(0, 80) : find;
        model.addAttribute("find", words);
        model.addAttribute("found", words.isBlank() ? List.of() : stories.search(words));
        return "made/stories";
    }
}
