package wendo.app.prepare.sources;

import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

/** What is said of a source, as typed. */
record SourceForm(
        @Size(max = Sources.MAX_NAME) String name,
        String channel,
        @Size(max = MAX_MEDIUM) String medium,
        String owner,
        @Size(max = MAX_CONTACT) String contact,
        @Size(max = MAX_NOTE) String note) {
    static final int MAX_MEDIUM = 100;
    static final int MAX_CONTACT = Limits.CONTACT;
    static final int MAX_NOTE = Limits.NOTE;

    SourceForm {
        name = typed(name);
        channel = typed(channel);
        medium = typed(medium);
        owner = typed(owner);
        contact = typed(contact);
        note = typed(note);
    }

    private static String typed(@org.jspecify.annotations.Nullable String text) {
        return text == null ? "" : text.strip();
    }

    static SourceForm empty() {
        return new SourceForm("", "", "", "", "", "");
    }

    /** What may be kept. */
    record Checked(String name, Channel channel, Tag medium, Optional<UUID> owner, String contact, String note) {}

    Map<String, String> faults(List<Colleague> colleagues) {
        Map<String, String> faults = FormRules.faults(this);
        Sources.refusal(name).ifPresent(fault -> faults.put("name", fault));
        if (Channel.find(channel).isEmpty()) {
            faults.put("channel", Texts.of("prepare.sources.choose-a-channel"));
        }
        if (!medium.isEmpty() && !Tag.isPossible(medium)) {
            faults.put("medium", Texts.of("prepare.sources.a-medium-needs-a-letter"));
        }
        if (!owner.isEmpty() && ownerOf(colleagues).isEmpty()) {
            faults.put("owner", Texts.of("prepare.sources.choose-somebody-who-works-here"));
        }
        return faults;
    }

    /** Call it when there are no faults. */
    Checked checked(List<Colleague> colleagues) {
        Channel kind = Channel.find(channel).orElseThrow();
        return new Checked(
                name, kind, Tag.of(medium.isEmpty() ? kind.medium() : medium), ownerOf(colleagues), contact, note);
    }

    private Optional<UUID> ownerOf(List<Colleague> colleagues) {
        return colleagues.stream()
                .filter(person -> !owner.isEmpty() && person.isCalled(owner))
                .map(Colleague::id)
                .findFirst();
    }
}
