package wendo.app.outcome.income;

import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.visit.outbound.PayingNetworks;
import wendo.core.measure.Period;
import wendo.core.visits.OutgoingPattern;

/** Tells whoever counts outgoing links which networks pay, and how much a visit. */
@Component
class IncomePayers implements PayingNetworks {
    private final JdbcClient jdbc;
    private final IncomeQueries queries;

    IncomePayers(JdbcClient jdbc, IncomeQueries queries) {
        this.jdbc = jdbc;
        this.queries = queries;
    }

    private record Payer(UUID id, String name) {}

    @Override
    @Transactional(readOnly = true)
    public List<Paying> within(Period period, ZoneId zone) {
        List<Payer> payers = jdbc.sql("select id, name from partner_network where pays and not archived order by name")
                .query((row, number) -> new Payer(row.getObject(1, UUID.class), row.getString(2)))
                .list();
        if (payers.isEmpty()) { // and nobody is asked what they earned
            return List.of();
        }
        Map<String, IncomeQueries.Group> earned = queries.by(IncomeQueries.By.NETWORK, period, zone).stream()
                .collect(Collectors.toMap(IncomeQueries.Group::key, Function.identity()));
        return payers.stream()
                .map(payer -> {
                    IncomeQueries.Group group = earned.get(payer.id().toString());
                    return group == null
                            ? new Paying(payer.id(), payer.name(), 0, OptionalDouble.empty())
                            : new Paying(
                                    payer.id(),
                                    payer.name(),
                                    group.earnings().visitsOut(),
                                    group.earnings().perVisitMinor());
                })
                .toList();
    }

    @Override
    @Transactional(readOnly = true)
    public List<OutgoingPattern> addresses() {
        return jdbc
                .sql("select pattern from partner_network where pays and not archived order by pattern")
                .query(String.class)
                .list()
                .stream()
                .flatMap(pattern -> OutgoingPattern.find(pattern).stream())
                .toList();
    }
}
