package wendo.app.desk.setup;

import java.util.Set;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.Texts;

/** What can be set up, in the groups and the order in which a business meets it. */
enum SetupEntry {
    BUSINESS(Group.BUSINESS, "/setup/business", "desk.setup.setup-entry.details"),
    APPEARANCE(Group.BUSINESS, "/setup/appearance", "desk.setup.setup-entry.appearance"),
    BRANDS(Group.BUSINESS, "/setup/brands", "desk.setup.setup-entry.brands"),
    PEOPLE(Group.BUSINESS, "/setup/people", "desk.setup.setup-entry.people"),
    ACTIVITY(Group.BUSINESS, "/setup/activity", "desk.setup.setup-entry.activity"),
    BACKUPS(Group.BUSINESS, "/setup/backups", "desk.setup.setup-entry.backups"),
    PRIVACY(Group.BUSINESS, "/setup/privacy", "desk.setup.setup-entry.privacy"),
    CONSENT(Group.BUSINESS, "/setup/consent", "desk.setup.setup-entry.consent"),
    CLOSING(Group.BUSINESS, "/setup/closing", "desk.setup.setup-entry.closing"),
    HOSTS(Group.BEFORE_ISSUING, "/setup/hosts", "desk.setup.setup-entry.link-domains"),
    DESTINATIONS(Group.BEFORE_ISSUING, "/setup/destinations", "desk.setup.setup-entry.destinations"),
    SOURCES(Group.BEFORE_ISSUING, "/setup/sources", "desk.setup.setup-entry.sources"),
    CAMPAIGNS(Group.BEFORE_ISSUING, "/setup/campaigns", "desk.setup.setup-entry.campaigns"),
    PLANS(Group.BEFORE_ISSUING, "/setup/tag-plans", "desk.setup.setup-entry.tag-plans"),
    TAG(Group.ON_ARRIVAL, "/setup/site-tag", "desk.setup.setup-entry.site-tag"),
    FORMS(Group.ON_ARRIVAL, "/setup/forms", "desk.setup.setup-entry.forms"),
    WORDING(Group.ON_ARRIVAL, "/setup/wording", "desk.setup.setup-entry.own-wording"),
    HANDOVERS(Group.ON_ARRIVAL, "/setup/handovers", "desk.setup.setup-entry.handovers-follow-up-and-rotas"),
    ATTRIBUTION(Group.COUNTING, "/setup/attribution", "desk.setup.setup-entry.attribution"),
    TARGETS(Group.COUNTING, "/setup/targets", "desk.setup.setup-entry.limits"),
    CODES(Group.COUNTING, "/setup/codes", "desk.setup.setup-entry.codes-and-survey-answers"),
    VISITS(Group.COUNTING, "/setup/visits", "desk.setup.setup-entry.visits-and-privacy"),
    OUTGOING(Group.COUNTING, "/setup/outgoing", "desk.setup.setup-entry.outgoing-links"),
    DISCLOSURE(Group.COUNTING, "/setup/disclosure", "desk.setup.setup-entry.disclosure"),
    KEYS(Group.CONNECTIONS, "/setup/keys", "desk.setup.setup-entry.api-keys"),
    NETWORKS(Group.CONNECTIONS, "/setup/networks", "desk.setup.setup-entry.partner-networks"),
    AD_DESKS(Group.CONNECTIONS, "/setup/ad-desks", "desk.setup.setup-entry.ad-desks"),
    SENDING(Group.CONNECTIONS, "/setup/sending", "desk.setup.setup-entry.mail-and-texts");

    /** A heading of the list. */
    enum Group {
        BUSINESS("desk.setup.business"),
        BEFORE_ISSUING("desk.setup.before-issuing"),
        ON_ARRIVAL("desk.setup.on-arrival"),
        COUNTING("desk.setup.counting"),
        CONNECTIONS("desk.setup.connections");

        private final String label;

        Group(String label) {
            this.label = label;
        }

        public String label() {
            return Texts.of(label);
        }
    }

    private static final Set<SetupEntry> OF_OWNERS = Set.of(PEOPLE, ACTIVITY, BACKUPS, PRIVACY, CLOSING);

    private final Group group;
    private final String address;
    private final String label;

    SetupEntry(Group group, String address, String label) {
        this.group = group;
        this.address = address;
        this.label = label;
    }

    /** Whether it is shown to whoever may do this. */
    boolean isFor(CurrentPerson person) {
        return !OF_OWNERS.contains(this) || person.may(Permission.OWN);
    }

    public Group group() {
        return group;
    }

    public String address() {
        return address;
    }

    public String label() {
        return Texts.of(label);
    }
}
