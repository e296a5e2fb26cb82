package wendo.app.compare.table;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CompareQueries;
import wendo.app.compare.sql.ComparedWith;
import wendo.app.compare.sql.CreditClock;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.sql.Revenue;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.ViewRecord;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/** What every screen of the comparison shows around its figures: the ribbon, and the choices there are. */
@Component
public class CompareFrame {
    private final Ribbons ribbons;
    private final CompareQueries queries;

    public CompareFrame(Ribbons ribbons, CompareQueries queries) {
        this.ribbons = ribbons;
        this.queries = queries;
    }

    /** @param keep the end of each of its addresses, which keeps the chosen view */
    record Choices(
            String key,
            String keep,
            CompareChoice look,
            Grouping[] groupings,
            OutcomeKind[] kinds,
            ModelName[] models,
            CreditClock[] clocks,
            ComparedWith[] with,
            Revenue[] revenues,
            PeriodChoice choice,
            Ribbon ribbon) {}

    public ModelAndView around(ModelAndView page, CompareContext context) {
        return around(page, context, "");
    }

    /** @param key the group that the screen is of; empty text for none */
    public ModelAndView around(ModelAndView page, CompareContext context, String key) {
        CompareChoice look = context.look();
        return ViewRecord.with(
                page,
                new Choices(
                        key,
                        look.query() + (key.isEmpty() ? "" : "&key=" + URLEncoder.encode(key, StandardCharsets.UTF_8)),
                        look,
                        Grouping.values(),
                        OutcomeKind.values(),
                        ModelName.values(),
                        CreditClock.values(),
                        ComparedWith.values(),
                        look.revenue() != Revenue.SALES || queries.hasIncome() ? Revenue.values() : new Revenue[0],
                        context.choice(),
                        ribbons.draw(context.choice(), look.comparedWith().period(context.period()))));
    }
}
