package wendo.app.desk.setup;

/** What can be set up, in the groups and the order in which a business meets it. */
enum SetupEntry {
    BUSINESS(Group.BUSINESS, "/setup/business", "Details"),
    CONSENT(Group.BUSINESS, "/setup/consent", "Consent"),
    HOSTS(Group.BEFORE_ISSUING, "/setup/hosts", "Link domains"),
    DESTINATIONS(Group.BEFORE_ISSUING, "/setup/destinations", "Destinations"),
    SOURCES(Group.BEFORE_ISSUING, "/setup/sources", "Sources"),
    CAMPAIGNS(Group.BEFORE_ISSUING, "/setup/campaigns", "Campaigns"),
    PLANS(Group.BEFORE_ISSUING, "/setup/tag-plans", "Tag plans"),
    TAG(Group.ON_ARRIVAL, "/setup/site-tag", "Site tag"),
    FORMS(Group.ON_ARRIVAL, "/setup/forms", "Forms"),
    HANDOVERS(Group.ON_ARRIVAL, "/setup/handovers", "Handovers, follow-up and rotas"),
    ATTRIBUTION(Group.COUNTING, "/setup/attribution", "Attribution"),
    TARGETS(Group.COUNTING, "/setup/targets", "Targets"),
    CODES(Group.COUNTING, "/setup/codes", "Codes and survey answers"),
    VISITS(Group.COUNTING, "/setup/visits", "Visits and privacy"),
    OUTGOING(Group.COUNTING, "/setup/outgoing", "Outgoing links"),
    KEYS(Group.CONNECTIONS, "/setup/keys", "API keys"),
    NETWORKS(Group.CONNECTIONS, "/setup/networks", "Partner networks");

    /** A heading of the list. */
    enum Group {
        BUSINESS("Business"),
        BEFORE_ISSUING("Before issuing"),
        ON_ARRIVAL("On arrival"),
        COUNTING("Counting"),
        CONNECTIONS("Connections");

        private final String label;

        Group(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private final Group group;
    private final String address;
    private final String label;

    SetupEntry(Group group, String address, String label) {
        this.group = group;
        this.address = address;
        this.label = label;
    }

    public Group group() {
        return group;
    }

    public String address() {
        return address;
    }

    public String label() {
        return label;
    }
}
