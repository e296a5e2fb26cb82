package wendo.app.compare.table;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.ComparedWith;
import wendo.app.compare.sql.CreditClock;
import wendo.app.compare.sql.Grouping;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbons;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/** What every screen of the comparison shows around its figures: the ribbon, and the choices there are. */
@Component
public class CompareFrame {
    private final Ribbons ribbons;

    public CompareFrame(Ribbons ribbons) {
        this.ribbons = ribbons;
    }

    public void addTo(Model model, CompareChoice look, PeriodChoice choice) {
        addTo(model, look, choice, "");
    }

    /** @param key the group that the screen is of; empty text for none */
    public void addTo(Model model, CompareChoice look, PeriodChoice choice, String key) {
        Map<String, Object> all = new HashMap<>();
        addTo(all, look, choice, key);
        model.addAllAttributes(all);
    }

    public void addTo(Map<String, Object> model, CompareChoice look, PeriodChoice choice, String key) {
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
