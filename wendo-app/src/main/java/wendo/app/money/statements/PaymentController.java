package wendo.app.money.statements;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.money.partners.BankAccount;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.core.partners.Iban;

/** The month's end: statements for all partners, and the order to the bank. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/partners/payments")
class PaymentController {
    private final Statements statements;
    private final StatementQueries queries;
    private final Payments payments;
    private final Clock clock;

    PaymentController(Statements statements, StatementQueries queries, Payments payments, Clock clock) {
        this.statements = statements;
        this.queries = queries;
        this.payments = payments;
        this.clock = clock;
    }

    record PaymentsPage(
            List<StatementQueries.Waiting> waiting,
            List<StatementQueries.Payable> payable,
            long payableMinor,
            List<StatementQueries.Order> orders,
            List<StatementQueries.Row> latest,
            LocalDate today,
            int version,
            Map<String, String> account,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page(PageContext context) {
        return page(stored(), Map.of(), context.business());
    }

    @PostMapping("/statements")
    String make(TypedFields typed, PageContext context, RedirectAttributes next) {
        LocalDate today = context.business().today(clock);
        YearMonth last = YearMonth.from(today).minusMonths(1);
        YearMonth month = last;
        try {
            month = YearMonth.parse(typed.text("month"));
        } catch (DateTimeParseException e) {
            // what is no month means the last one
        }
        int made = statements.make(
                month.isAfter(last) ? last : month, today, context.person().name());
        next.addFlashAttribute("said", Texts.of("money.statements.made", made));
        return "redirect:/partners/payments";
    }

    @PostMapping("/orders")
    ModelAndView order(TypedFields typed, PageContext context, RedirectAttributes next) {
        LocalDate today = context.business().today(clock);
        LocalDate payOn = today;
        try {
            payOn = LocalDate.parse(typed.text("payOn"));
        } catch (DateTimeParseException e) {
            return InvalidForm.of(
                    page(stored(), Map.of("payOn", Texts.of("money.partners.choose-a-day")), context.business()));
        }
        if (payOn.isBefore(today)) {
            return InvalidForm.of(
                    page(stored(), Map.of("payOn", Texts.of("money.statements.pay-on-past")), context.business()));
        }
        Optional<Integer> number = payments.order(payOn, today, context.person().name());
        next.addFlashAttribute(
                "said",
                number.map(made -> Texts.of("money.statements.ordered", made))
                        .orElse(Texts.of("money.statements.nobody-payable")));
        return new ModelAndView("redirect:/partners/payments");
    }

    @PostMapping("/orders/{number}")
    String close(@PathVariable int number, TypedFields typed) {
        if (!payments.close(number, typed.is("state", "paid"))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/partners/payments";
    }

    /** Account numbers leave with owners alone, as they are edited by them. */
    @Needs(Permission.OWN)
    @GetMapping("/orders/{number}.xml")
    ResponseEntity<byte[]> file(@PathVariable int number, PageContext context) {
        Business business = context.business();
        return payments.file(number, business.currency(), business.zone())
                .map(file -> ResponseEntity.ok()
                        .contentType(MediaType.APPLICATION_XML)
                        .header(
                                HttpHeaders.CONTENT_DISPOSITION,
                                ContentDisposition.attachment()
                                        .filename("payments-%d.xml".formatted(number))
                                        .build()
                                        .toString())
                        .body(file.xml().getBytes(StandardCharsets.UTF_8)))
                .orElseThrow(() -> new ResponseStatusException(
                        HttpStatus.UNPROCESSABLE_CONTENT, Texts.of("money.statements.no-accounts")));
    }

    /** The same order as a table, for banks that take no such file. */
    @Needs(Permission.OWN)
    @GetMapping("/orders/{number}.csv")
    void table(@PathVariable int number, PageContext context, HttpServletResponse response) throws IOException {
        Business business = context.business();
        Payments.Order order = payments.order(number, business.currency(), business.zone())
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        TableFormat.CSV.send(
                response,
                new NamedTable(
                        "payments-" + number,
                        Texts.of("money.statements.payments"),
                        List.of(
                                Texts.of("money.partners.details.account-name"),
                                Texts.of("money.partners.details.iban"),
                                Texts.of("money.partners.details.bic"),
                                Texts.of(
                                        "money.statements.amount-in",
                                        business.currency().getCode()),
                                Texts.of("common.day"),
                                Texts.of("common.reference")),
                        order.payments().stream()
                                .map(one -> List.<Object>of(
                                        one.payee().name(),
                                        one.payee().iban().value(),
                                        one.payee().bic().orElse(""),
                                        one.amount().getAmount(),
                                        order.payOn(),
                                        one.purpose()))
                                .toList()));
    }

    @Confirmed
    @Needs(Permission.OWN)
    @PostMapping("/account")
    ModelAndView payFrom(TypedFields typed, PageContext context) {
        Map<String, String> faults = new LinkedHashMap<>();
        BankAccount account = BankAccount.read(typed, "name", faults);
        InvalidForm.tooLong(faults, "taxNumber", typed.text("taxNumber"), Limits.LABEL);
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(typed.firstValues(), faults, context.business()));
        }
        PayoutAccount.Details details =
                new PayoutAccount.Details(account.name(), account.iban(), account.bic(), typed.text("taxNumber"));
        try {
            if (UniqueKey.refuses(() -> payments.payFrom(EditedVersion.of(typed.raw("version")), details))) {
                return conflict(typed, context); // somebody else was the first
            }
        } catch (OptimisticLockingFailureException e) {
            return conflict(typed, context);
        }
        return new ModelAndView("redirect:/partners/payments");
    }

    private ModelAndView conflict(TypedFields typed, PageContext context) {
        return EditConflict.of(
                page(typed.firstValues(), EditConflict.marks(typed, stored()), context.business()),
                "/partners/payments");
    }

    private Map<String, String> stored() {
        PayoutAccount.Details details = payments.account();
        return Map.of(
                "name",
                details.name(),
                "iban",
                Iban.find(details.iban()).map(Iban::grouped).orElse(""),
                "bic",
                details.bic(),
                "taxNumber",
                details.taxNumber());
    }

    private ModelAndView page(Map<String, String> account, Map<String, String> faults, Business business) {
        LocalDate today = business.today(clock);
        List<StatementQueries.Payable> payable = queries.payable(today);
        return ViewRecord.of(
                "money/statements/payments",
                new PaymentsPage(
                        queries.waiting(today),
                        payable,
                        payable.stream()
                                .filter(StatementQueries.Payable::isByBank)
                                .mapToLong(StatementQueries.Payable::minor)
                                .sum(),
                        queries.orders(),
                        queries.latest(),
                        today,
                        payments.accountVersion(),
                        account,
                        faults));
    }
}
