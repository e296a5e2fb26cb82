package wendo.app.issue.linklist;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.LinkChange;
import wendo.app.issue.links.LinkChanges;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.core.links.AddressRefused;
import wendo.core.links.Labels;

/** Reads what is to be done to many links. */
@Component
class ChangeForm {
    private final LinkSaving links;
    private final Accounts accounts;

    ChangeForm(LinkSaving links, Accounts accounts) {
        this.links = links;
        this.accounts = accounts;
    }

    /** As typed; {@code what} names the button that was pressed. */
    record Typed(String what, String label, String owner, String address, String reason) {
        Typed {
            label = label.strip();
            reason = reason.strip();
        }
    }

    /** Either a change and what it is called, or what is wrong with it. */
    record Read(Optional<LinkChange> change, String said, String fault) {
        static Read refused(String fault) {
            return new Read(Optional.empty(), "", fault);
        }

        static Read of(LinkChange change, String said) {
            return new Read(Optional.of(change), said, "");
        }
    }

    Read read(Typed typed, int links, Business business) {
        if (links == 0) {
            return Read.refused(Texts.of("issue.linklist.select-links-first"));
        }
        if (links > LinkChanges.MOST_LINKS) {
            return Read.refused(Texts.of("issue.linklist.at-most-links-are-changed", LinkChanges.MOST_LINKS));
        }
        return switch (typed.what()) {
            case "archive" -> Read.of(new LinkChange.Archive(true), Texts.kept("issue.linklist.archived-2"));
            case "restore" ->
                Read.of(new LinkChange.Archive(false), Texts.kept("issue.linklist.restored-from-the-archive"));
            case "label", "unlabel" -> label(typed);
            case "owner" -> owner(typed.owner());
            case "lead" -> lead(typed, business);
            default -> Read.refused(Texts.of("issue.linklist.choose-what-to-do-with"));
        };
    }

    private Read label(Typed typed) {
        if (!Labels.isPossible(typed.label())
                || typed.label().length() > LinkSaving.MAX_LABEL
                || typed.label().matches(".*[,;].*")) {
            return Read.refused(Texts.of("issue.linklist.a-label-has-1-to", LinkSaving.MAX_LABEL));
        }
        String label = new Labels(links.labelsInUse()).spelled(typed.label());
        boolean isPut = typed.what().equals("label");
        return Read.of(
                new LinkChange.Label(label, isPut),
                Texts.kept(isPut ? "issue.linklist.labelled" : "issue.linklist.label-off", label));
    }

    private Read owner(String id) {
        if (id.isEmpty()) {
            return Read.of(new LinkChange.GiveTo(Optional.empty()), Texts.kept("issue.linklist.owner-removed"));
        }
        List<Colleague> all = accounts.colleagues();
        return all.stream()
                .filter(one -> one.id().toString().equals(id))
                .findFirst()
                .map(one -> Read.of(
                        new LinkChange.GiveTo(Optional.of(one.id())),
                        Texts.kept("issue.linklist.assigned-to", one.name())))
                .orElse(Read.refused(Texts.of("issue.linklist.nobody-here-has-that-name")));
    }

    private Read lead(Typed typed, Business business) {
        if (typed.reason().length() > LinkSaving.MAX_REASON) {
            return Read.refused(Texts.of(
                    "issue.linklist.a-reason-may-have-characters",
                    LinkSaving.MAX_REASON,
                    typed.reason().length()));
        }
        try {
            var address = links.check(typed.address(), business);
            String shown = address.toString();
            return Read.of(
                    new LinkChange.LeadTo(address, typed.reason()),
                    Texts.kept(
                            "issue.linklist.moved-to", shown.length() <= 200 ? shown : shown.substring(0, 200) + "…"));
        } catch (AddressRefused e) {
            return Read.refused(Texts.said(e));
        }
    }
}
