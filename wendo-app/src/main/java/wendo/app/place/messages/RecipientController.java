package wendo.app.place.messages;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.Brought;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableForm;
import wendo.app.platform.tables.TableFormat;
import wendo.app.platform.tables.TableRefused;

/** Recipients from a file: bring it, say which column is which, make their links, take the file along again. */
@Needs(Permission.ISSUE)
@Controller
class RecipientController {
    private static final int SHOWN = 8;
    private static final int MAX_SOURCE = Limits.CONSENT_WORDS;

    /** In per cent. More than half would leave too few to be written to. */
    private static final int MAX_HELD_OUT = 50;

    private final LinkSaving links;
    private final Messages messages;
    private final RecipientLists lists;
    private final RecipientTaps taps;
    private final RecipientConsent consent;

    RecipientController(
            LinkSaving links, Messages messages, RecipientLists lists, RecipientTaps taps, RecipientConsent consent) {
        this.links = links;
        this.messages = messages;
        this.lists = lists;
        this.taps = taps;
        this.consent = consent;
    }

    record TypedMessage(String typedText, String typedSource) {}

    record RecipientsPage(
            LinkListed link,
            RecipientLists.Listed list,
            Map<String, String> faults,
            int good,
            long parts,
            List<PersonalTexts.Finished> shown,
            List<RecipientLists.Person> bad,
            RecipientFilter filter,
            RecipientFilter.State[] states,
            List<RecipientRow> rows,
            int found,
            long tapped,
            int pageSize,
            List<String> unknown) {}

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/links/{id}/recipients")
    String bring(@PathVariable UUID id, @ModelAttribute TableForm form, PageContext context, RedirectAttributes notes)
            throws IOException {
        Business business = context.business();
        LinkListed link = link(id);
        try {
            Brought brought = form.read();
            String text = messages.find(id, business).map(MessageForm::text).orElse(MessageCount.PLACE);
            RecipientLists.Columns meant = guess(brought.table().columns());
            UUID list = lists.add(
                    id,
                    brought,
                    new RecipientLists.Reading(meant, text),
                    context.person().name());
            lists.match(lists.find(list).orElseThrow(), meant, text, business);
            return "redirect:/recipients/" + list;
        } catch (TableRefused e) {
            notes.addFlashAttribute("fileFault", String.valueOf(e.getMessage()));
            return "redirect:/links/" + link.id() + "/message";
        }
    }

    /** By what people call such columns. */
    private static RecipientLists.Columns guess(List<String> columns) {
        return new RecipientLists.Columns(
                among(columns, "(first|given|full)?\\s*name|who|recipient|contact"),
                among(columns, ".*(phone|mobile|cell|number|tel).*"),
                among(columns, ".*e-?mail.*"));
    }

    private static int among(List<String> columns, String pattern) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).strip().toLowerCase(Locale.ROOT).matches(pattern)) {
                return i;
            }
        }
        return -1;
    }

    @Needs(Permission.SEE_CONTACTS)
    @GetMapping("/recipients/{id}")
    ModelAndView page(@PathVariable UUID id, TypedFields asked) {
        return show(list(id), RecipientFilter.of(asked), Map.of());
    }

    private ModelAndView show(RecipientLists.Listed list, RecipientFilter filter, Map<String, String> faults) {
        LinkListed link = link(list.link());
        PersonalTexts texts = new PersonalTexts(link, list);
        List<RecipientLists.Person> people = lists.people(list.id());
        List<PersonalTexts.Finished> good = people.stream()
                .filter(person -> person.fault().isEmpty())
                .map(texts::finish)
                .toList();
        Map<Integer, RecipientTaps.Tapped> tapped = taps.of(list.id());
        Map<Integer, String> missing = list.madeAt().isPresent() ? consent.missing(people) : Map.of();
        List<RecipientRow> rows = people.stream()
                .map(person -> new RecipientRow(
                        person,
                        Optional.ofNullable(tapped.get(person.line())),
                        missing.getOrDefault(person.line(), person.fault())))
                .toList();
        List<RecipientRow> found = filter.choose(rows);
        return ViewRecord.of(
                "place/messages/recipients",
                new RecipientsPage(
                        link,
                        list,
                        faults,
                        good.size(),
                        good.stream().mapToLong(PersonalTexts.Finished::parts).sum(),
                        good.stream().limit(SHOWN).toList(),
                        people.stream()
                                .filter(person -> !person.fault().isEmpty())
                                .toList(),
                        filter,
                        RecipientFilter.State.values(),
                        filter.onPage(found),
                        found.size(),
                        rows.stream().filter(row -> row.taps() > 0).count(),
                        RecipientFilter.PAGE_SIZE,
                        texts.unknownFields()));
    }

    /** {@code make} names the button that makes the links; the other reads the columns again. */
    @Needs(Permission.SET_UP)
    @PostMapping("/recipients/{id}")
    ModelAndView match(
            @PathVariable UUID id, TypedFields typed, @RequestParam(defaultValue = "") String make, Business business) {
        RecipientLists.Listed list = list(id);
        String text = typed.raw("text").replace("\r\n", "\n");
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "text", text, MessageForm.MAX_TEXT);
        String part = typed.text("heldOut", "0").strip();
        if (!part.matches("\\d{1,2}") || Integer.parseInt(part) > MAX_HELD_OUT) {
            faults.put("heldOut", Texts.of("place.messages.a-whole-number-0-to", MAX_HELD_OUT));
        }
        String source = typed.text("consentSource");
        if (!make.isEmpty() && source.isEmpty()) {
            faults.put("consentSource", Texts.of("place.messages.consent-source-missing"));
        }
        InvalidForm.tooLong(faults, "consentSource", source, MAX_SOURCE);
        if (!faults.isEmpty()) {
            return InvalidForm.of(ViewRecord.with(
                    show(list, RecipientFilter.of(TypedFields.none()), faults), new TypedMessage(text, source)));
        }
        if (list.madeAt().isEmpty()) {
            lists.match(
                    list,
                    new RecipientLists.Columns(column(typed, "name"), column(typed, "phone"), column(typed, "email")),
                    text,
                    business);
            if (!make.isEmpty()) {
                lists.make(list(id), source, Integer.parseInt(part));
            }
        }
        return new ModelAndView("redirect:/recipients/" + id);
    }

    /** They told the business that they want no more of it. */
    @Needs(Permission.SET_UP)
    @PostMapping("/recipients/{id}/withdraw")
    String withdraw(@PathVariable UUID id, TypedFields typed, CurrentPerson person, RedirectAttributes notes) {
        Set<String> lines = Set.copyOf(typed.all("line"));
        List<RecipientLists.Person> chosen = lists.people(list(id).id()).stream()
                .filter(one -> one.fault().isEmpty() && lines.contains(String.valueOf(one.line())))
                .toList();
        chosen.forEach(one -> consent.withdraw(one, person));
        notes.addFlashAttribute(
                "said",
                chosen.isEmpty()
                        ? Texts.of("place.messages.select-recipients-first")
                        : Texts.of("place.messages.withdrawn-many", chosen.size()));
        return "redirect:/recipients/" + id + "?" + RecipientFilter.of(typed).query();
    }

    private static int column(TypedFields typed, String name) {
        String chosen = typed.text(name, "-1");
        return chosen.matches("\\d{1,2}") ? Integer.parseInt(chosen) : -1;
    }

    /** The file that was brought, with a column of links and one of finished texts. */
    @Needs(Permission.EXPORT_CONTACTS)
    @GetMapping("/recipients/{id}/file.{kind}")
    void file(@PathVariable UUID id, @PathVariable String kind, Business business, HttpServletResponse response)
            throws IOException {
        RecipientLists.Listed list = list(id);
        PersonalTexts texts = new PersonalTexts(link(list.link()), list);
        List<String> columns = new ArrayList<>(list.columns());
        columns.addAll(List.of(
                Texts.of("common.link"),
                Texts.of("place.messages.text"),
                Texts.of("place.messages.what-is-wrong"),
                Texts.of("place.messages.taps"),
                Texts.of("place.messages.first-tap"),
                Texts.of("place.messages.last-tap"),
                Texts.of("common.outcomes"),
                Texts.of("common.value-in", business.currency().getCode())));
        Map<Integer, RecipientTaps.Tapped> tapped = taps.of(id);
        List<List<Object>> rows = new ArrayList<>();
        List<RecipientLists.Person> people = lists.people(id);
        Map<Integer, String> missing = consent.missing(people);
        for (RecipientLists.Person person : people) {
            List<Object> row = new ArrayList<>(person.cells());
            while (row.size() < list.columns().size()) {
                row.add("");
            }
            PersonalTexts.Finished finished = texts.finish(person);
            String fault = missing.getOrDefault(person.line(), person.fault());
            boolean hasLink = !person.code().isEmpty() && fault.isEmpty();
            row.addAll(List.of(hasLink ? finished.address() : "", hasLink ? finished.text() : "", fault));
            row.addAll(tapped(Optional.ofNullable(tapped.get(person.line())), business));
            rows.add(row);
        }
        TableFormat.find(kind)
                .orElse(TableFormat.CSV)
                .send(response, new NamedTable("recipients", Texts.of("common.recipients"), columns, rows));
    }

    private static List<Object> tapped(Optional<RecipientTaps.Tapped> one, Business business) {
        return one.map(tapped -> List.<Object>of(
                        tapped.taps(),
                        local(tapped.first(), business),
                        local(tapped.last(), business),
                        tapped.outcomes(),
                        BigDecimal.valueOf(
                                tapped.valueMinor(), business.currency().getDecimalPlaces())))
                .orElse(List.of(0, "", "", "", ""));
    }

    private static String local(Instant at, Business business) {
        return at.atZone(business.zone()).toOffsetDateTime().toString();
    }

    private RecipientLists.Listed list(UUID id) {
        return lists.find(id).orElseThrow(RecipientController::absent);
    }

    private LinkListed link(UUID id) {
        return links.find(id).orElseThrow(RecipientController::absent);
    }

    private static ResponseStatusException absent() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
