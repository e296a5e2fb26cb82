package wendo.app.issue.links;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.sources.SourceListed;
import wendo.core.links.AddressRefused;
import wendo.core.links.PastedTags;
import wendo.core.links.TagField;
import wendo.core.links.WebAddress;

/** The sheet of stubs that a desk would issue, with all that is wrong with it. */
record IssueSheet(IssueForm form, IssueSetting setting, List<Lead> leads, List<Stub> stubs, String patternFault) {
    /** As many as a desk holds; more come from a file. */
    static final int MAX_LINKS = 40;

    /** One destination of the desk. */
    record Lead(String typed, String fault, Optional<PastedOffer> offer, List<String> replaced) {}

    /** One link to be; {@code key} tells its fields apart. */
    record Stub(String key, SourceListed source, Draft draft) {}

    IssueSheet {
        leads = List.copyOf(leads);
        stubs = List.copyOf(stubs);
    }

    static IssueSheet of(IssueForm form, IssueSetting setting, List<Draft> drafts, String patternFault) {
        List<Stub> stubs = new ArrayList<>();
        List<Lead> leads = new ArrayList<>();
        int next = 0;
        for (int i = 0; i < form.destinations().size(); i++) {
            List<String> replaced = List.of();
            for (UUID source : form.sources()) {
                Draft draft = drafts.get(next++);
                replaced = draft.replaced().isEmpty() ? replaced : draft.replaced();
                stubs.add(
                        new Stub(IssueForm.key(i, source), draft.what().source().orElseThrow(), draft));
            }
            leads.add(lead(form.destinations().get(i), setting, replaced));
        }
        return new IssueSheet(form, setting, leads, stubs, patternFault);
    }

    private static Lead lead(String typed, IssueSetting setting, List<String> replaced) {
        try {
            WebAddress address = Destinations.check(typed, setting.business(), setting.linkHosts());
            PastedTags pasted = PastedTags.of(address, setting.plan().plan());
            return new Lead(typed, "", PastedOffer.of(pasted, setting.sources()), replaced);
        } catch (AddressRefused e) {
            return new Lead(typed, Texts.said(e), Optional.empty(), replaced);
        }
    }

    public List<TagField> typedFields() {
        return setting.plan().plan().typedFields();
    }

    public boolean isReady() {
        return faults().isEmpty();
    }

    /** All that is wrong, in the order of the desk. */
    public List<IssueFault> faults() {
        List<IssueFault> faults = new ArrayList<>();
        leads.forEach(lead -> add(faults, "destination", lead.fault()));
        Campaigns.refusal(form.campaign()).ifPresent(fault -> add(faults, "campaign", fault));
        add(faults, "pattern", patternFault);
        if (stubs.isEmpty()) {
            add(faults, "sources", Texts.of("issue.links.tick-at-least-one-source"));
        }
        if (stubs.size() > MAX_LINKS) {
            add(faults, "sources", Texts.of("issue.links.a-sheet-holds-links-these", MAX_LINKS, stubs.size()));
        }
        stubs.stream()
                .flatMap(stub -> stub.draft().faults().stream())
                .filter(fault -> !faults.contains(fault))
                .forEach(faults::add);
        return List.copyOf(faults);
    }

    private static void add(List<IssueFault> faults, String field, String message) {
        if (!message.isEmpty()) {
            faults.add(new IssueFault(field, message));
        }
    }
}
