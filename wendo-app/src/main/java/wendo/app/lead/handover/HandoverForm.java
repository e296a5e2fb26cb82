package wendo.app.lead.handover;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.LabelLine;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.media.EmailAddress;
import wendo.core.media.MergeText;

/** A handover as typed, with what is wrong. */
record HandoverForm(Handover handover, Map<String, String> faults) {
    /** What notes and messages may name. */
    static final List<String> FIELDS = List.of(
            "name",
            "first name",
            "email",
            "phone",
            "items",
            "message",
            "source",
            "campaign",
            "link",
            "owner",
            "business");

    /** What people leave out. */
    private static final Set<String> OFTEN_EMPTY = Set.of("name", "first name", "items");

    private static final Set<String> OWNERS = Set.of("issuer", "person", "round", "none");

    static HandoverForm of(
            TypedFields typed, List<Colleague> people, List<Rounds.Listed> rounds, List<Plans.Plan> plans) {
        Map<String, String> faults = new LinkedHashMap<>();
        String ownerIs = typed.raw("ownerIs");
        Optional<UUID> person =
                chosen(typed, "person", people.stream().map(Colleague::id).toList());
        Optional<UUID> round =
                chosen(typed, "round", rounds.stream().map(Rounds.Listed::id).toList());
        Optional<UUID> plan =
                chosen(typed, "plan", plans.stream().map(Plans.Plan::id).toList());
        if (!OWNERS.contains(ownerIs)) {
            faults.put("ownerIs", Texts.of("lead.handover.choose-who-gets-the-lead"));
        } else if (ownerIs.equals("person") && person.isEmpty()) {
            faults.put("person", Texts.of("lead.handover.choose-somebody-who-works-here"));
        } else if (ownerIs.equals("round") && round.isEmpty()) {
            faults.put("round", Texts.of("lead.handover.choose-a-rota-add-one"));
        }
        String partner = typed.text("partner");
        Optional<EmailAddress> shared = EmailAddress.find(partner);
        if (!partner.isEmpty() && shared.isEmpty()) {
            faults.put("partner", Texts.of("lead.handover.this-is-not-an-e"));
        }
        LabelLine labels = LabelLine.of(typed.raw("labels"));
        labels.fault().ifPresent(fault -> faults.put("labels", fault));
        String note = typed.text("note");
        InvalidForm.tooLong(faults, "note", note, Limits.HANDOVER_NOTE);
        unknownField(note).ifPresent(field -> faults.put("note", field));
        return new HandoverForm(
                new Handover(
                        OWNERS.contains(ownerIs) ? ownerIs : "issuer",
                        person,
                        round,
                        shared.map(EmailAddress::value).orElse(partner),
                        labels.labels(),
                        note,
                        typed.raw("alerts").equals("yes"),
                        plan),
                faults);
    }

    private static Optional<UUID> chosen(TypedFields typed, String field, List<UUID> offered) {
        return offered.stream()
                .filter(one -> one.toString().equals(typed.raw(field)))
                .findFirst();
    }

    /** What a customer reads must not have a hole in it: “asking about .” */
    static Optional<String> missingFallback(String text) {
        return new MergeText(text)
                .withoutFallback().stream()
                        .filter(OFTEN_EMPTY::contains)
                        .findFirst()
                        .map(field -> Texts.of(
                                "lead.handover.can-be-empty-add-a",
                                field,
                                field,
                                field.equals("items")
                                        ? Texts.of("lead.handover.your-plans")
                                        : Texts.of("lead.handover.there")));
    }

    /** What is wrong with a text that names a field there is none of. */
    static Optional<String> unknownField(String text) {
        return new MergeText(text)
                .fields().stream()
                        .filter(field -> !FIELDS.contains(field))
                        .findFirst()
                        .map(field ->
                                Texts.of("lead.handover.there-is-no-field-there", field, String.join(", ", FIELDS)));
    }

    /** What a handover says, by the fields beside which faults stand. */
    static Map<String, String> fields(Handover handover) {
        return Map.of(
                "ownerIs",
                handover.ownerIs(),
                "partner",
                handover.partner(),
                "labels",
                handover.labelsTyped(),
                "note",
                handover.note());
    }
}
