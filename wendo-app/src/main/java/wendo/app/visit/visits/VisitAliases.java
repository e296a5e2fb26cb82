package wendo.app.visit.visits;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.core.visits.ClickId;

/** What went out to partner networks instead of click identifiers. Runs in the transaction of its caller. */
@Component
public class VisitAliases {
    private final JdbcTemplate jdbc;

    VisitAliases(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** @param alias a network and its alias, a space between; or empty text, which is nothing to keep */
    public void keep(String alias, ClickId click) {
        if (!alias.isEmpty()) {
            keepAll(List.<Object[]>of(row(BusinessScope.current(), alias, click)));
        }
    }

    void keep(List<LoggedVisit> visits) {
        keepAll(visits.stream()
                .filter(visit -> !visit.alias().isEmpty())
                .map(visit -> row(visit.business(), visit.alias(), visit.click()))
                .toList());
    }

    private static Object[] row(BusinessId business, String alias, ClickId click) {
        int space = alias.indexOf(' ');
        return new Object[] {
            business.value(), UUID.fromString(alias.substring(0, space)), alias.substring(space + 1), click.uuid()
        };
    }

    private void keepAll(List<Object[]> rows) {
        jdbc.batchUpdate("insert into visit_alias values (?, ?, ?, ?) on conflict do nothing", rows);
    }
}
