package wendo.app.audience.mailings;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.Takings;
import wendo.core.measure.TakingsDifference;

/** The SQL of what the people of a mailing booked and bought for, after refunds, beside those held out. */
@Component
class MailingTakings {
    private static final String PAID = """
            with people as (
                select r.id, r.held_out, r.email, r.phone, l.made_at
                from recipient r join recipient_list l on l.id = r.list_id
                where l.id = :list and (r.code is not null or r.held_out)),
            matched as (
                select p.id, p.held_out, o.id as outcome_id, o.kept_minor
                from people p join outcome o on o.email = p.email and o.email <> ''
                    and o.occurred_at >= p.made_at and o.occurred_at < p.made_at + make_interval(days => :days)
                where o.kind in ('booking', 'purchase') and o.counts and not o.is_proof
                union
                select p.id, p.held_out, o.id, o.kept_minor
                from people p join outcome o on o.phone = p.phone and o.phone <> ''
                    and o.occurred_at >= p.made_at and o.occurred_at < p.made_at + make_interval(days => :days)
                where o.kind in ('booking', 'purchase') and o.counts and not o.is_proof)
            select p.held_out, coalesce(sum(m.kept_minor), 0) from people p left join matched m on m.id = p.id
            group by p.id, p.held_out
            """;

    private final JdbcClient jdbc;

    MailingTakings(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What both groups brought in. */
    record Both(Takings mailed, Takings heldOut) {
        /** Empty text if nobody of either brought anything. */
        String said(Figures figures) {
            if (mailed.paidMinor().isEmpty() && heldOut.paidMinor().isEmpty()) {
                return "";
            }
            String each = figures.moneyEach(mailed.people() == 0 ? 0 : mailed.perPersonMinor());
            if (heldOut.people() == 0) {
                return Texts.of("audience.mailings.value-alone", figures.money(mailed.sumMinor()), each);
            }
            String other = figures.moneyEach(heldOut.perPersonMinor());
            return TakingsDifference.of(mailed, heldOut, 1)
                    .map(difference -> Texts.of(
                            difference.isClearlyMore()
                                    ? "audience.mailings.value-more"
                                    : "audience.mailings.value-perhaps",
                            each,
                            other,
                            figures.moneyRound(difference.value() * mailed.people()),
                            figures.moneyRound(difference.low() * mailed.people()),
                            figures.moneyRound(difference.high() * mailed.people())))
                    .orElse(Texts.of("audience.mailings.value-early", each, other, Takings.LEAST_PAYERS));
        }
    }

    @Transactional(readOnly = true)
    Both of(UUID list, int days) {
        List<Long> mailed = new ArrayList<>();
        List<Long> heldOut = new ArrayList<>();
        jdbc.sql(PAID).param("list", list).param("days", days).query(row -> {
            (row.getBoolean(1) ? heldOut : mailed).add(row.getLong(2));
        });
        return new Both(takings(mailed), takings(heldOut));
    }

    private static Takings takings(List<Long> all) {
        return new Takings(all.size(), all.stream().filter(one -> one > 0).toList());
    }
}
