package nursery.app.bench;

import java.util.Arrays;
import java.util.Comparator;
import nursery.core.technique.Term;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The words of the trade, each explained. */
@Controller
class WordsController {

    @GetMapping("/words")
    String words(Model model) {
        model.addAttribute(
                "terms",
                Arrays.stream(Term.values())
                        .sorted(Comparator.comparing(term -> term.word().toLowerCase(java.util.Locale.ROOT)))
                        .toList());
        return "bench/words";
    }
}
