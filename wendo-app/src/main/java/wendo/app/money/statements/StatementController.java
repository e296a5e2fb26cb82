package wendo.app.money.statements;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;

/** The statements of a partner and what was paid, and one statement: on a page, on paper and as a table. */
@Controller
@RequestMapping("/partners")
class StatementController {
    private final StatementQueries queries;
    private final Payments payments;
    private final StatementPaper paper;
    private final Clock clock;

    StatementController(StatementQueries queries, Payments payments, StatementPaper paper, Clock clock) {
        this.queries = queries;
        this.payments = payments;
        this.paper = paper;
        this.clock = clock;
    }

    record StatementListPage(
            UUID partner,
            String name,
            List<StatementQueries.Row> rows,
            List<StatementQueries.Paid> paid,
            long payableMinor,
            Map<String, String> typed,
            Map<String, String> faults) {}

    @Needs(Permission.SEE)
    @GetMapping("/{id}/statements")
    ModelAndView list(@PathVariable UUID id, PageContext context) {
        return list(id, Map.of("paidOn", context.business().today(clock).toString()), Map.of(), context);
    }

    /** A payment that was made outside, in whole or in part. */
    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/payments")
    ModelAndView pay(@PathVariable UUID id, TypedFields typed, PageContext context) {
        Map<String, String> faults = new HashMap<>();
        Optional<PartnerPayment.Sent> sent = sent(typed, context.business(), faults);
        if (sent.isPresent()
                && !payments.record(
                        id,
                        sent.get(),
                        context.business().today(clock),
                        context.person().name())) {
            faults.put("amount", Texts.of("money.statements.more-than-payable"));
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/partners/%s/statements".formatted(id))
                : InvalidForm.of(list(id, typed.firstValues(), faults, context));
    }

    private Optional<PartnerPayment.Sent> sent(TypedFields typed, Business business, Map<String, String> faults) {
        InvalidForm.tooLong(faults, "note", typed.text("note"), Limits.SPEND_NOTE);
        LocalDate on = business.today(clock);
        try {
            on = LocalDate.parse(typed.text("paidOn"));
        } catch (java.time.format.DateTimeParseException e) {
            faults.put("paidOn", Texts.of("money.partners.choose-a-day"));
        }
        if (on.isAfter(business.today(clock))) {
            faults.put("paidOn", Texts.of("money.statements.paid-in-future"));
        }
        try {
            long minor = Amount.of(typed.text("amount"), business.currency(), business.locale())
                    .minor();
            return faults.isEmpty()
                    ? Optional.of(new PartnerPayment.Sent(on, minor, typed.text("note")))
                    : Optional.empty();
        } catch (IllegalArgumentException e) {
            faults.put("amount", Texts.said(e));
            return Optional.empty();
        }
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/{id}/payments/{payment}/remove")
    String cancel(@PathVariable UUID id, @PathVariable UUID payment) {
        if (!payments.cancel(id, payment)) {
            throw absent();
        }
        return "redirect:/partners/%s/statements".formatted(id);
    }

    @Needs(Permission.SEE)
    @GetMapping("/statements/{number}")
    ModelAndView page(@PathVariable String number, PageContext context) {
        return ViewRecord.of("money/statements/statement", statement(number, context.business()));
    }

    @Needs(Permission.EXPORT)
    @GetMapping("/statements/{number}/statement.pdf")
    void paper(@PathVariable String number, PageContext context, HttpServletResponse response) throws IOException {
        StatementPaper.StatementPage statement = statement(number, context.business());
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"statement-%s.pdf\"".formatted(number));
        response.setContentType("application/pdf");
        response.getOutputStream().write(paper.pdf(statement.row(), context.business()));
    }

    @Needs(Permission.EXPORT)
    @GetMapping("/statements/{number}/statement.{ending}")
    void file(
            @PathVariable String number, @PathVariable String ending, PageContext context, HttpServletResponse response)
            throws IOException {
        TableFormat wanted = TableFormat.find(ending).orElseThrow(StatementController::absent);
        StatementPaper.StatementPage statement = statement(number, context.business());
        int decimals = context.business().currency().getDecimalPlaces();
        wanted.send(
                response,
                new NamedTable(
                        "statement-" + number,
                        Texts.of("money.statements.statement", statement.row().number()),
                        List.of(
                                Texts.of("common.day"),
                                Texts.of("common.kind"),
                                Texts.of("common.reference"),
                                Texts.of("money.partners.page.how-worked-out"),
                                Texts.of("money.partners.commission")),
                        statement.lines().stream()
                                .map(line -> List.of(
                                        line.row().day(),
                                        Texts.of(
                                                "common.outcome-kind",
                                                line.row().kind()),
                                        line.row().reference(),
                                        line.arithmetic(),
                                        BigDecimal.valueOf(line.row().minor(), decimals)))
                                .toList()));
    }

    private StatementPaper.StatementPage statement(String number, Business business) {
        return Optional.of(number)
                .filter(typed -> typed.matches("[1-9]\\d{0,8}"))
                .flatMap(typed -> queries.find(Integer.parseInt(typed)))
                .map(row -> paper.page(row, business))
                .orElseThrow(StatementController::absent);
    }

    private ModelAndView list(UUID id, Map<String, String> typed, Map<String, String> faults, PageContext context) {
        StatementQueries.Payable payable = queries.payable(context.business().today(clock)).stream()
                .filter(one -> one.partner().equals(id))
                .findFirst()
                .orElseThrow(StatementController::absent);
        return ViewRecord.of(
                "money/statements/list",
                new StatementListPage(
                        id, payable.name(), queries.of(id), queries.payments(id), payable.minor(), typed, faults));
    }

    private static ResponseStatusException absent() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
