package wendo.app.platform.accounts;

import java.util.Set;

/** What may be done in a business, and by which roles: the one table of it. */
public enum Permission {
    /** People, the business itself, its keys. */
    OWN(Role.OWNER),
    /** Setup, spend, merging, imports, corrections, terms, audiences. */
    SET_UP(Role.OWNER, Role.MANAGER),
    /** Issue, place and prove links, change where they lead, archive them; staff their own. */
    ISSUE(Role.OWNER, Role.MANAGER, Role.STAFF),
    /** Work on leads; staff on their own and nobody's. */
    WORK_LEADS(Role.OWNER, Role.MANAGER, Role.STAFF),
    /** Enter an outcome by hand. */
    ENTER_OUTCOMES(Role.OWNER, Role.MANAGER, Role.STAFF),
    /** Export and share figures. Contact details go out with owners and managers alone. */
    EXPORT(Role.OWNER, Role.MANAGER, Role.VIEWER),
    EXPORT_CONTACTS(Role.OWNER, Role.MANAGER),
    SHARE(Role.OWNER, Role.MANAGER),
    /** See all contact details; staff see those of their own leads. */
    SEE_CONTACTS(Role.OWNER, Role.MANAGER),
    /** See figures and the ledger. */
    SEE(Role.OWNER, Role.MANAGER, Role.STAFF, Role.VIEWER);

    private final Set<Role> roles;

    Permission(Role... roles) {
        this.roles = Set.of(roles);
    }

    public boolean isOf(Role role) {
        return roles.contains(role);
    }
}
