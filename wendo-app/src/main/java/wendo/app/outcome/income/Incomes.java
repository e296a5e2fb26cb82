package wendo.app.outcome.income;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.income.IncomeChange.Changed;
import wendo.app.outcome.outcomes.OutcomeTakenBack;
import wendo.app.platform.business.Businesses;
import wendo.core.income.Income;
import wendo.core.income.IncomeState;

/** Keeps what networks promise and pay, with the history of what they changed. */
@Service
public class Incomes {
    private final IncomeRepository repository;
    private final IncomeChangeRepository history;
    private final IncomeStatementRepository statements;
    private final Businesses businesses;
    private final JdbcClient jdbc;
    private final Clock clock;

    Incomes(
            IncomeRepository repository,
            IncomeChangeRepository history,
            IncomeStatementRepository statements,
            Businesses businesses,
            JdbcClient jdbc,
            Clock clock) {
        this.repository = repository;
        this.history = history;
        this.statements = statements;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** News of one outcome's income, in the transaction that records the outcome. */
    @Transactional
    public void told(ReportedIncome reported) {
        Instant now = clock.instant();
        Optional<StoredIncome> known = repository.lock(reported.outcome());
        StoredIncome income = known.orElseGet(() -> fresh(reported, now));
        if (known.isEmpty()) {
            IncomeState first = income.income().state();
            tell(reported.outcome(), List.of(new Changed(Changed.STATE, "", first.key())), reported.by());
        }
        if (known.isPresent()) {
            Income before = income.income();
            Income after = before.with(reported.news());
            income.become(after, now);
            tell(reported.outcome(), changes(before, after), reported.by());
        }
        reported.saleMinor().ifPresent(income::soldFor);
        if (!reported.product().isEmpty()) {
            income.is(reported.product());
        }
        if (income.income().state() == IncomeState.PAID && !income.standsOnOne()) {
            income.standsOn(statement(reported, now));
        }
        repository.save(income);
    }

    private StoredIncome fresh(ReportedIncome reported, Instant now) {
        ZoneId zone = businesses.current().zone();
        LocalDate day = jdbc.sql("select cast(occurred_at at time zone ? as date) from outcome where id = ?")
                .params(zone.getId(), reported.outcome())
                .query(LocalDate.class)
                .single();
        return new StoredIncome(
                reported.outcome(),
                reported.payer().network(),
                new StoredIncome.First(
                        Income.of(reported.news()),
                        Income.expectedOn(day, reported.payer().paysAfterDays())),
                now);
    }

    /** Where a network does not name its statement, the month in which it paid does. */
    private String statement(ReportedIncome reported, Instant now) {
        return reported.statement().isEmpty()
                ? YearMonth.from(now.atZone(businesses.current().zone())).toString()
                : reported.statement();
    }

    private void tell(UUID outcome, List<Changed> changes, String by) {
        Instant now = clock.instant();
        changes.forEach(one -> history.save(new IncomeChange(outcome, one, now, by)));
    }

    private static List<Changed> changes(Income before, Income after) {
        List<Changed> changes = new ArrayList<>();
        if (before.state() != after.state()) {
            changes.add(new Changed(
                    Changed.STATE, before.state().key(), after.state().key()));
        }
        if (before.commissionMinor() != after.commissionMinor()) {
            changes.add(new Changed(
                    Changed.COMMISSION,
                    String.valueOf(before.commissionMinor()),
                    String.valueOf(after.commissionMinor())));
        }
        return changes;
    }

    /** The outcomes whose income went back to what it was, and those that others changed since, which stay. */
    public record Undone(Set<UUID> back, Set<UUID> left) {}

    /** Takes back what somebody told, the rows of a file for instance. */
    @Transactional
    public Undone undo(String toldBy, String by) {
        Set<UUID> back = new LinkedHashSet<>();
        Set<UUID> left = new LinkedHashSet<>();
        for (UUID outcome : history.changedBy(toldBy)) {
            repository.lock(outcome).ifPresent(income -> (goesBack(income, toldBy, by) ? back : left).add(outcome));
        }
        return new Undone(back, left);
    }

    private boolean goesBack(StoredIncome income, String toldBy, String by) {
        List<IncomeChange> all = history.of(income.id());
        if (!all.get(all.size() - 1).isBy(toldBy)) {
            return false;
        }
        Map<String, String> before = new HashMap<>();
        all.stream()
                .filter(one -> one.isBy(toldBy))
                .map(IncomeChange::changed)
                .forEach(one -> before.putIfAbsent(one.field(), one.before()));
        Income now = income.income();
        String state = before.getOrDefault(Changed.STATE, now.state().key());
        if (state.isEmpty()) {
            history.forget(income.id());
            repository.forget(income.id());
            return true;
        }
        String commission = before.getOrDefault(Changed.COMMISSION, String.valueOf(now.commissionMinor()));
        Income then = new Income(IncomeState.of(state), Long.parseLong(commission));
        income.become(then, clock.instant());
        tell(income.id(), changes(now, then), by);
        repository.save(income);
        return true;
    }

    /** What arrived at the bank for a statement. */
    @Transactional
    void arrived(UUID network, String statement, long minor, String by) {
        IncomeStatement one = statements
                .findByNetworkIdAndStatement(network, statement)
                .orElseGet(() -> new IncomeStatement(network, statement));
        one.arrived(minor, clock.instant(), by);
        statements.save(one);
    }

    @EventListener
    @Transactional
    void on(OutcomeTakenBack event) {
        history.forget(event.outcome());
        repository.forget(event.outcome());
    }
}
