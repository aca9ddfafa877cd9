package nursery.app.cups;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nursery.app.floor.Floors;
import nursery.app.picture.CupPicture;
import nursery.app.picture.Looks;
import nursery.app.platform.Form;
import nursery.app.platform.FormReader;
import nursery.app.techniques.ShelvedTechnique;
import nursery.app.techniques.TechniqueBook;
import nursery.core.cup.Blank;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Question;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The part of a form that says how a cup is made: by which technique, in whose school, and what how often. */
@Component
class WayForm {

    private final TechniqueBook techniques;
    private final Floors floors;

    WayForm(TechniqueBook techniques, Floors floors) {
        this.techniques = techniques;
        this.floors = floors;
    }

    /** A technique to choose, drawn as what it makes. */
    record Way(ShelvedTechnique shelved, CupPicture picture) {}

    /** The technique chosen, or the one to begin with. */
    ShelvedTechnique chosen(Map<String, String> typed) {
        return techniques
                .find(typed.getOrDefault("technique", ""))
                .orElseGet(() -> techniques.shippedOnes().get(0));
    }

    static Schools schools(FormReader reader) {
        List<School> schools = new ArrayList<>();
        for (Question question : Question.values()) {
            if (!reader.raw(question.name()).isEmpty()) {
                reader.choice(question.name(), question.words(), School.class)
                        .filter(school -> school.question() == question)
                        .ifPresent(schools::add);
            }
        }
        return Schools.of(schools);
    }

    /** The plan chosen so far; what was not asked is done the usual number of times. */
    List<PlanStep> plan(FormReader reader, Map<String, String> typed) {
        Technique technique = chosen(typed).technique();
        Map<String, Integer> times = new LinkedHashMap<>();
        for (Technique.Repeat repeat : technique.repeats()) {
            String field = "times-" + repeat.title();
            if (reader.raw(field).matches("\\d{1,2}")) {
                times.put(repeat.title(), Integer.parseInt(reader.raw(field)));
            }
        }
        return floors.hands().on(technique.plan(schools(reader), times));
    }

    /** What the page needs to ask it, all techniques drawn on one blank. */
    void fill(Model model, Form form, Blank drawnOn) {
        ShelvedTechnique chosen = chosen(form.typed());
        model.addAttribute(
                "ways",
                techniques.all().stream()
                        .map(one -> new Way(one, Looks.of(one.key(), one.technique(), drawnOn)))
                        .toList());
        model.addAttribute("technique", chosen.technique());
        model.addAttribute("chosen", chosen.key());
        model.addAttribute("questions", chosen.technique().questions());
    }
}
