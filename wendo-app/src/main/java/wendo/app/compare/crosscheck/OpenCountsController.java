package wendo.app.compare.crosscheck;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.SecretAddress;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.measure.CrossCheck;
import wendo.core.outcomes.DayOrder;

/**
 * A cross-check as the other side sees it who knows its address: both counts by day and what may explain them, and nothing
 * else of the business. They can bring their count, write, and say what they agree to.
 */
@Controller
@RequestMapping("/t/counts/{token}")
class OpenCountsController {
    private static final int OPENINGS_PER_MINUTE = 60;
    private static final int WRITINGS_PER_MINUTE = 10;

    private final Agreements agreements;
    private final CrossChecks checks;
    private final CrossCheckQueries queries;
    private final Businesses businesses;
    private final CallLimit openings = new CallLimit(OPENINGS_PER_MINUTE);
    private final CallLimit writings = new CallLimit(WRITINGS_PER_MINUTE);

    OpenCountsController(Agreements agreements, CrossChecks checks, CrossCheckQueries queries, Businesses businesses) {
        this.agreements = agreements;
        this.checks = checks;
        this.queries = queries;
        this.businesses = businesses;
    }

    record OpenCountsPage(
            String business,
            String language,
            String token,
            Check check,
            List<CrossCheckQueries.Day> days,
            CrossCheck counts,
            List<CrossCheckWords.Line> causes,
            Agreements.Shared shared,
            Map<String, String> typed,
            Map<String, String> faults,
            Figures figures) {}

    private record Call(String token, HttpServletRequest request, HttpServletResponse response) {}

    private interface Answer {
        ModelAndView of(Check check, Business business);
    }

    @GetMapping
    ModelAndView page(@PathVariable String token, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return within(
                new Call(token, request, response),
                openings,
                (check, business) -> page(token, check, Map.of(), Map.of()));
    }

    /** Days of their count, or corrected ones. */
    @PostMapping("/days")
    ModelAndView tell(
            @PathVariable String token, TypedFields typed, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return within(new Call(token, request, response), writings, (check, business) -> {
            Map<String, String> faults = new LinkedHashMap<>();
            TheirCounts theirs = TheirCounts.read(typed.text("pasted"), Optional.<DayOrder>empty(), business.locale());
            if (!theirs.faults().isEmpty()) {
                faults.put("pasted", Texts.of("compare.counts.pasted-wrong"));
            } else {
                checks.tell(check.id(), known(theirs.byDay(), check));
            }
            return answered(token, check, typed, faults);
        });
    }

    /** Days beyond those that the business asked about are left out: nobody fills its database from outside. */
    private SortedMap<LocalDate, Long> known(SortedMap<LocalDate, Long> told, Check check) {
        SortedMap<LocalDate, Long> known = new TreeMap<>(told);
        List<CrossCheckQueries.Day> days =
                queries.days(check, businesses.current().zone());
        if (days.isEmpty()) {
            return known;
        }
        LocalDate first = days.get(0).day();
        LocalDate last = days.get(days.size() - 1).day();
        known.keySet().removeIf(day -> day.isBefore(first.minusDays(31)) || day.isAfter(last.plusDays(31)));
        return known;
    }

    @PostMapping("/notes")
    ModelAndView write(
            @PathVariable String token, TypedFields typed, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return within(new Call(token, request, response), writings, (check, business) -> {
            Map<String, String> faults = new LinkedHashMap<>();
            String body = typed.text("body");
            InvalidForm.tooLong(faults, "body", body, Limits.NOTE);
            if (body.isEmpty()) {
                faults.put("body", Texts.of("compare.counts.note-missing"));
            } else if (faults.isEmpty()
                    && !agreements.write(check.id(), new CountNote.Written(true, check.system(), body))) {
                faults.put("body", Texts.of("compare.counts.too-many"));
            }
            return answered(token, check, typed, faults);
        });
    }

    @PostMapping("/agreement")
    ModelAndView agree(
            @PathVariable String token, TypedFields typed, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return within(new Call(token, request, response), writings, (check, business) -> {
            Map<String, String> faults = new LinkedHashMap<>();
            String name = typed.text("name");
            InvalidForm.tooLong(faults, "name", name, Limits.NAME);
            Optional<Long> number = CrossCheckController.number(typed.text("number"));
            if (name.isEmpty()) {
                faults.put("name", Texts.of("compare.counts.name-missing"));
            }
            if (number.isEmpty()) {
                faults.put("number", Texts.of("compare.counts.number-wrong"));
            }
            if (faults.isEmpty()) {
                agreements.sayTheirs(check.id(), number.orElseThrow(), name);
            }
            return answered(token, check, typed, faults);
        });
    }

    private ModelAndView answered(String token, Check check, TypedFields typed, Map<String, String> faults) {
        return faults.isEmpty()
                ? new ModelAndView("redirect:/t/counts/" + token)
                : InvalidForm.of(page(token, check, typed.firstValues(), faults));
    }

    private ModelAndView within(Call call, CallLimit limit, Answer answer) throws Exception {
        SecretAddress.guard(call.response());
        if (!limit.allows(call.request().getRemoteAddr() + " " + call.token())) {
            return gone(HttpStatus.TOO_MANY_REQUESTS);
        }
        Optional<BusinessId> owner = agreements.businessOf(call.token());
        return owner.isEmpty()
                ? gone(HttpStatus.NOT_FOUND)
                : BusinessScope.as(owner.get(), () -> {
                    Business business = businesses.current();
                    PublicLanguages.speak(business.locale());
                    return agreements
                            .checkOf(call.token())
                            .flatMap(queries::find)
                            .map(check -> answer.of(check, business))
                            .orElseGet(() -> gone(HttpStatus.NOT_FOUND));
                });
    }

    private ModelAndView page(String token, Check check, Map<String, String> typed, Map<String, String> faults) {
        Business business = businesses.current();
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        UUID id = check.id();
        List<CrossCheckQueries.Day> days = queries.days(check, business.zone());
        CrossCheck counts = checks.counts(check, days, business.zone());
        return ViewRecord.of(
                "compare/crosscheck/open",
                new OpenCountsPage(
                        business.name(),
                        PublicLanguages.speak(business.locale()),
                        token,
                        check,
                        days,
                        counts,
                        CrossCheckWords.of(check, counts, figures).causes(),
                        agreements.of(id),
                        typed,
                        faults,
                        figures));
    }

    private static ModelAndView gone(HttpStatus status) {
        ModelAndView gone = new ModelAndView("compare/crosscheck/open-gone");
        gone.setStatus(status);
        return gone;
    }
}
