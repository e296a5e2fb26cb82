package wendo.app.compare;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
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
        Map<String, Object> all = new HashMap<>();
        addTo(all, look, choice, key);
        model.addAllAttributes(all);
    }

    void addTo(Map<String, Object> model, CompareChoice look, PeriodChoice choice, String key) {
        model.put("key", key);
        model.put(
                "keep", look.query() + (key.isEmpty() ? "" : "&key=" + URLEncoder.encode(key, StandardCharsets.UTF_8)));
        model.put("look", look);
        model.put("groupings", Grouping.values());
        model.put("kinds", OutcomeKind.values());
        model.put("models", ModelName.values());
        model.put("clocks", CreditClock.values());
        model.put("with", ComparedWith.values());
        model.put("choice", choice);
        model.put("ribbon", ribbons.draw(choice, look.comparedWith().period(choice.period())));
    }
}
