package nursery.app.made;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Upload;
import nursery.core.floor.CupNow;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** A cup's line of pictures, taken with the phone at the bench. */
@Controller
class PhotoController {

    private static final int LONGEST_WORDS = 200;

    private final PhotoBook photos;
    private final Floors floors;
    private final FormPost posts;

    PhotoController(PhotoBook photos, Floors floors, FormPost posts) {
        this.photos = photos;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/cups/{code}/photos")
    String photos(@PathVariable String code, @RequestParam(defaultValue = "STEP") String kind, Model model) {
        return page(floors.named(code), Form.fresh(Map.of("kind", kind)), model);
    }

    @PostMapping("/cups/{code}/photos")
    ModelAndView add(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            @RequestParam(name = "file", required = false) @Nullable MultipartFile file,
            Model model,
            HttpServletRequest request) {
        CupNow cup = floors.named(code);
        PhotoMaker.Made made;
        try {
            made = photos.made(Upload.bytes(file));
        } catch (InvalidInput refused) {
            return posts.refused(typed, model, refused, form -> page(cup, form, model));
        }
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Optional<PhotoBook.Kind> kind = reader.choice("kind", "What it shows", PhotoBook.Kind.class);
                    String words = reader.line("words", "What is to be seen", LONGEST_WORDS, false);
                    OptionalInt step = cup.cup().plan().stream()
                            .mapToInt(each -> each.number())
                            .filter(number -> reader.raw("step").equals("" + number))
                            .findFirst();
                    reader.faults().throwIfAny();
                    photos.add(
                            cup.cup().id(),
                            made,
                            kind.orElseThrow(),
                            step,
                            words,
                            Maker.of(request).name());
                    return "/cups/" + code + "/photos#newest";
                },
                form -> page(cup, form, model));
    }

    @PostMapping("/cups/{code}/photos/{id}/hide")
    String hide(@PathVariable String code, @PathVariable long id) {
        photos.hide(id, floors.named(code).cup().id());
        return "redirect:/cups/" + code + "/photos";
    }

    /** What a name stands for never changes, so a browser may keep it; who may see pages may see it. */
    @GetMapping("/photos/{name}")
    ResponseEntity<byte[]> file(@PathVariable String name) {
        byte[] file = photos.file(name)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such picture."));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .body(file);
    }

    private String page(CupNow cup, Form form, Model model) {
        model.addAttribute("cup", cup.cup());
        model.addAttribute("form", form);
        model.addAttribute("photos", photos.of(cup.cup().id()));
        model.addAttribute("kinds", PhotoBook.Kind.values());
        return "made/photos";
    }
}
