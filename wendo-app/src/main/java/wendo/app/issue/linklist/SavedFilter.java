package wendo.app.issue.linklist;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** A filter that was given a name. */
@Entity
@Table(name = "link_filter")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class SavedFilter extends BusinessEntity {
    private String name;
    private String query;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected SavedFilter() {}

    @SuppressWarnings("NullAway.Init")
    SavedFilter(String name) {
        super(UUID.randomUUID());
        this.name = name;
    }

    void mean(LinkFilter filter, String by) {
        this.query = filter.query();
        this.createdBy = by;
    }

    SavedFilters.Saved saved() {
        return new SavedFilters.Saved(id(), name, LinkFilter.ofQuery(query).query());
    }
}
