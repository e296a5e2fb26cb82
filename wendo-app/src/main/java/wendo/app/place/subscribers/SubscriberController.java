package wendo.app.place.subscribers;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.Withdrawal;
import wendo.app.platform.site.LabelLine;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;

/** Everybody who subscribed by a link, whatever link it was. */
@Controller
class SubscriberController {
    private static final String SELECT_FIRST = "place.subscribers.select-subscribers-first";

    private final SubscriberQueries queries;
    private final Sources sources;
    private final Consents consents;
    private final Unsubscribes unsubscribes;
    private final NewsletterLists lists;
    private final Senders senders;
    private final SubscriberLabels labels;
    private final Clock clock;

    SubscriberController(
            SubscriberQueries queries,
            Sources sources,
            Consents consents,
            Unsubscribes unsubscribes,
            NewsletterLists lists,
            Senders senders,
            SubscriberLabels labels,
            Clock clock) {
        this.queries = queries;
        this.sources = sources;
        this.lists = lists;
        this.senders = senders;
        this.labels = labels;
        this.consents = consents;
        this.unsubscribes = unsubscribes;
        this.clock = clock;
    }

    record SubscriberListPage(
            List<SubscriberQueries.Row> rows,
            long all,
            SubscriberFilter filter,
            SubscriberFilter.State[] states,
            List<SourceListed> sources,
            List<NewsletterLists.Listed> lists,
            List<String> labels,
            List<Senders.Listed> senders,
            List<Integer> spans,
            int page,
            int pageSize) {}

    @Needs(Permission.SEE_CONTACTS)
    @GetMapping("/subscribers")
    ModelAndView list(TypedFields asked) {
        SubscriberFilter filter = SubscriberFilter.of(asked);
        String page = asked.text("page", "0");
        int number = page.matches("\\d{1,4}") ? Integer.parseInt(page) : 0;
        Instant now = clock.instant();
        return ViewRecord.of(
                "place/subscribers/list",
                new SubscriberListPage(
                        queries.page(filter, now, number),
                        queries.count(filter, now),
                        filter,
                        SubscriberFilter.State.values(),
                        sources.list(),
                        lists.list(),
                        queries.labels(),
                        senders.list(),
                        SubscriberFilter.DAYS,
                        number,
                        SubscriberQueries.PAGE));
    }

    /** They told the business that they want no more of it. */
    @Needs(Permission.SET_UP)
    @PostMapping("/subscribers/withdraw")
    String withdraw(TypedFields typed, CurrentPerson person, RedirectAttributes notes) {
        List<String> emails = queries.emails(typed.ids("subscriber", SubscriberQueries.PAGE));
        emails.forEach(email -> consents.withdraw(email, Withdrawal.OFFICE, person.name()));
        notes.addFlashAttribute(
                "said",
                emails.isEmpty()
                        ? Texts.of(SELECT_FIRST)
                        : Texts.of("place.subscribers.withdrawn-many", emails.size()));
        return "redirect:/subscribers?" + SubscriberFilter.of(typed).query();
    }

    /** Labels are given or taken away; whoever has as many as there can be gets no more. */
    @Needs(Permission.SET_UP)
    @PostMapping("/subscribers/label")
    String label(TypedFields typed, RedirectAttributes notes) {
        List<UUID> chosen = typed.ids("subscriber", SubscriberQueries.PAGE);
        LabelLine line = LabelLine.of(typed.raw("given"));
        boolean isNamed = !line.labels().isEmpty() && line.fault().isEmpty();
        if (!chosen.isEmpty() && isNamed) {
            labels.change(chosen, line, typed.is("what", "take"));
        }
        notes.addFlashAttribute("said", labelled(chosen, line));
        return "redirect:/subscribers?" + SubscriberFilter.of(typed).query();
    }

    private static String labelled(List<UUID> chosen, LabelLine line) {
        if (chosen.isEmpty()) {
            return Texts.of(SELECT_FIRST);
        }
        return line.labels().isEmpty()
                ? Texts.of("place.subscribers.label-missing")
                : line.fault().orElseGet(() -> Texts.of("place.subscribers.labelled", chosen.size()));
    }

    /** A list of addresses, or a file of the sending system pasted whole. */
    @Needs(Permission.SET_UP)
    @PostMapping("/subscribers/unsubscribes")
    String takeBack(TypedFields typed, CurrentPerson person, RedirectAttributes notes) {
        List<String> emails = Unsubscribes.addresses(typed.raw("unsubscribed"));
        Unsubscribes.Taken taken = unsubscribes.take(emails, person.name());
        notes.addFlashAttribute(
                "said",
                emails.isEmpty()
                        ? Texts.of("place.subscribers.no-address-found")
                        : Texts.of("place.subscribers.unsubscribes-taken", taken.withdrawn(), taken.unknown()));
        return "redirect:/subscribers";
    }

    @Needs(Permission.EXPORT_CONTACTS)
    @GetMapping("/subscribers/subscribers.{format}")
    void export(@PathVariable String format, TypedFields asked, Business business, HttpServletResponse response) {
        send(format, SubscriberFilter.of(asked), business, response);
    }

    @Needs(Permission.EXPORT_CONTACTS)
    @GetMapping("/links/{id}/newsletter/subscribers.{format}")
    void ofLink(@PathVariable UUID id, @PathVariable String format, Business business, HttpServletResponse response) {
        send(format, SubscriberFilter.ofLink(id), business, response);
    }

    /** As a sending system takes it: whoever subscribes, under its own headings. */
    @Needs(Permission.EXPORT_CONTACTS)
    @GetMapping("/subscribers/for/{sender}.csv")
    void forSender(@PathVariable UUID sender, TypedFields asked, Business business, HttpServletResponse response) {
        SenderFile file = senders.file(sender)
                .filter(SenderFile::isTold)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        queries.each(SubscriberFilter.of(asked).subscribed(), clock.instant(), rows -> {
            Iterable<SubscriberQueries.Row> once = () -> rows;
            write(
                    TableFormat.CSV,
                    new NamedTable(
                            "subscribers",
                            Texts.of("common.subscribers"),
                            file.headings(),
                            () -> StreamSupport.stream(once.spliterator(), false)
                                    .<List<?>>map(row -> file.row(row, business.zone()))
                                    .iterator()),
                    response);
        });
    }

    private static void write(TableFormat format, NamedTable table, HttpServletResponse response) {
        try {
            format.send(response, table);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void send(String format, SubscriberFilter filter, Business business, HttpServletResponse response) {
        TableFormat wanted =
                TableFormat.find(format).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        List<String> columns = List.of(
                Texts.of("common.e-mail"),
                Texts.of("place.subscribers.subscribed-at"),
                Texts.of("common.link"),
                Texts.of("place.subscribers.source"),
                Texts.of("common.campaign"),
                Texts.of("place.subscribers.agreed-to"),
                Texts.of("place.subscribers.agreed-at"),
                Texts.of("common.page"),
                Texts.of("place.subscribers.withdrawn-at"),
                Texts.of("place.subscribers.lists"),
                Texts.of("common.labels"));
        queries.each(
                filter,
                clock.instant(),
                rows -> write(
                        wanted,
                        new NamedTable(
                                "subscribers",
                                Texts.of("common.subscribers"),
                                columns,
                                () -> cells(rows, business.zone())),
                        response));
    }

    private static Iterator<List<?>> cells(Iterator<SubscriberQueries.Row> rows, ZoneId zone) {
        Iterable<SubscriberQueries.Row> once = () -> rows;
        return StreamSupport.stream(once.spliterator(), false)
                .<List<?>>map(row -> List.of(
                        row.email(),
                        local(Optional.of(row.subscribedAt()), zone),
                        row.link(),
                        row.source(),
                        row.campaign(),
                        row.words(),
                        local(row.agreedAt(), zone),
                        row.page(),
                        local(row.withdrawnAt(), zone),
                        row.lists(),
                        String.join(", ", row.labels())))
                .iterator();
    }

    private static String local(Optional<Instant> at, ZoneId zone) {
        return at.map(moment -> moment.atZone(zone).toOffsetDateTime().toString())
                .orElse("");
    }
}
