package wendo.app.money.statements;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Texts;
import wendo.core.partners.Iban;
import wendo.core.partners.PaymentFile;

/** What was paid to partners, one by one or by an order to the bank. Nothing is paid twice. */
@Service
class Payments {
    private final PartnerPaymentRepository payments;
    private final PayoutRepository payouts;
    private final PayoutAccountRepository accounts;
    private final StatementQueries queries;
    private final JdbcClient jdbc;
    private final Clock clock;

    Payments(
            PartnerPaymentRepository payments,
            PayoutRepository payouts,
            PayoutAccountRepository accounts,
            StatementQueries queries,
            JdbcClient jdbc,
            Clock clock) {
        this.payments = payments;
        this.payouts = payouts;
        this.accounts = accounts;
        this.queries = queries;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A payment was made, of all that is payable or a part. False if it is more than that. */
    @Transactional
    boolean record(UUID partner, PartnerPayment.Sent sent, LocalDate today, String by) {
        lock(partner);
        long payable = queries.payable(today).stream()
                .filter(one -> one.partner().equals(partner))
                .mapToLong(StatementQueries.Payable::minor)
                .sum();
        if (sent.minor() > payable) {
            return false;
        }
        payments.save(PartnerPayment.paid(partner, sent, made(by)));
        return true;
    }

    /** A payment that is on no statement is taken back. */
    @Transactional
    boolean cancel(UUID partner, UUID payment) {
        lock(partner);
        return payments.findById(payment)
                .filter(one -> one.partner().equals(partner) && one.payout().isEmpty())
                .filter(PartnerPayment::cancel)
                .isPresent();
    }

    private void lock(UUID partner) {
        jdbc.sql("select id from partner where id = ? for no key update")
                .param(partner)
                .query(UUID.class)
                .list();
    }

    /** One order at a time, so that numbers have no gaps, and no payment of a partner beside it. */
    private void lockAll() {
        jdbc.sql("select id from business for no key update").query(UUID.class).list();
        jdbc.sql("select id from partner order by id for no key update")
                .query(UUID.class)
                .list();
    }

    private Made made(String by) {
        return new Made(clock.instant(), by);
    }

    /** An order for all that are payable by bank now; a partner is in one open order at most. Empty if nobody is. */
    @Transactional
    Optional<Integer> order(LocalDate payOn, LocalDate today, String by) {
        lockAll();
        List<StatementQueries.Payable> payable = queries.payable(today).stream()
                .filter(StatementQueries.Payable::isByBank)
                .toList();
        if (payable.isEmpty()) {
            return Optional.empty();
        }
        int number = jdbc.sql("select coalesce(max(number), 0) + 1 from payout")
                .query(Integer.class)
                .single();
        Payout order = payouts.save(new Payout(number, payOn, made(by)));
        for (StatementQueries.Payable one : payable) {
            payments.save(PartnerPayment.ordered(
                    one.partner(), order.id(), new PartnerPayment.Sent(payOn, one.minor(), ""), made(by)));
        }
        return Optional.of(number);
    }

    /** The bank took it, or it was thrown away. */
    @Transactional
    boolean close(int number, boolean isPaid) {
        lockAll();
        Optional<Payout> open = payouts.findByNumber(number).filter(Payout::isOpen);
        open.ifPresent(order -> {
            String next = isPaid ? PartnerPayment.PAID : PartnerPayment.CANCELLED;
            order.become(next);
            payments.findByPayoutId(order.id()).forEach(one -> one.become(next, order.payOn()));
        });
        return open.isPresent();
    }

    @Transactional(readOnly = true)
    PayoutAccount.Details account() {
        return accounts.findAll().stream()
                .findFirst()
                .map(PayoutAccount::details)
                .orElse(PayoutAccount.Details.NONE);
    }

    @Transactional(readOnly = true)
    int accountVersion() {
        return accounts.findAll().stream()
                .findFirst()
                .map(PayoutAccount::version)
                .orElse(0);
    }

    /** Of two who are the first to say it, one is refused by the unique key. */
    @Transactional
    void payFrom(EditedVersion edited, PayoutAccount.Details details) {
        PayoutAccount account =
                accounts.findAll().stream().findFirst().orElseGet(() -> new PayoutAccount(UUID.randomUUID()));
        account.mustStillBe(edited);
        account.become(details);
        accounts.saveAndFlush(account);
    }

    /** What the bank is given. Empty if there is no such order, or no account to pay from or to. */
    @Transactional(readOnly = true)
    Optional<PaymentFile> file(int number, CurrencyUnit currency, ZoneId zone) {
        Optional<Iban> own = Iban.find(account().iban());
        return own.flatMap(from -> order(number, currency, zone)
                .map(order -> new PaymentFile(
                        "WENDO-" + number,
                        order.madeAt(),
                        new PaymentFile.Account(
                                account().name(), from, bic(account().bic())),
                        order.payOn(),
                        order.payments())));
    }

    /** An order to the bank, with all that is paid by it. */
    record Order(LocalDateTime madeAt, LocalDate payOn, List<PaymentFile.Payment> payments) {}

    /** Empty if there is none, or nothing in it can be paid into an account. */
    @Transactional(readOnly = true)
    Optional<Order> order(int number, CurrencyUnit currency, ZoneId zone) {
        Map<UUID, StatementQueries.Payable> partners = queries.payable(LocalDate.now(clock.withZone(zone))).stream()
                .collect(Collectors.toMap(StatementQueries.Payable::partner, Function.identity()));
        return payouts.findByNumber(number).flatMap(order -> {
            List<PaymentFile.Payment> lines = payments.findByPayoutId(order.id()).stream()
                    .flatMap(one -> line(number, one, partners.get(one.partner()), currency).stream())
                    .toList();
            return lines.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Order(LocalDateTime.ofInstant(order.madeAt(), zone), order.payOn(), lines));
        });
    }

    private static Optional<PaymentFile.Payment> line(
            int number,
            PartnerPayment payment,
            StatementQueries.@org.jspecify.annotations.Nullable Payable partner,
            CurrencyUnit currency) {
        return Optional.ofNullable(partner)
                .flatMap(one -> Iban.find(one.iban())
                        .map(iban -> new PaymentFile.Payment(
                                "WENDO-%d-%s"
                                        .formatted(
                                                number, payment.id().toString().substring(0, 8)),
                                new PaymentFile.Account(one.accountName(), iban, bic(one.bic())),
                                Money.ofMinor(currency, payment.minor()),
                                Texts.of("money.statements.purpose", number))));
    }

    private static Optional<String> bic(String typed) {
        return Optional.of(typed).filter(one -> !one.isEmpty());
    }
}
