package wendo.app.compare;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/** What every screen of the comparison shows around its figures: the ribbon, and the choices there are. */
@Component
class CompareFrame {
    private final Ribbons ribbons;

    CompareFrame(Ribbons ribbons) {
        this.ribbons = ribbons;
    }

    void addTo(Model model, CompareChoice look, PeriodChoice choice) {
        addTo(model, look, choice, "");
    }

    /** @param key the group that the screen is of; empty text for none */
    void addTo(Model model, CompareChoice look, PeriodChoice choice, String key) {
        model.addAttribute("key", key);
        model.addAttribute(
                "keep", look.query() + (key.isEmpty() ? "" : "&key=" + URLEncoder.encode(key, StandardCharsets.UTF_8)));
        model.addAttribute("look", look);
        model.addAttribute("groupings", Grouping.values());
        model.addAttribute("kinds", OutcomeKind.values());
        model.addAttribute("models", ModelName.values());
        model.addAttribute("clocks", CreditClock.values());
        model.addAttribute("with", ComparedWith.values());
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice, look.comparedWith().period(choice.period())));
    }
}
