package wendo.app.outcome.outcomes;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeStatus;

/**
 * Which outcomes the ledger shows, as it stands in the address.
 *
 * @param find a fragment of a reference, of what was booked or bought, or of contact details
 * @param isUnknown only what is joined to no source
 */
record LedgerFilter(
        String find,
        Optional<OutcomeKind> kind,
        Optional<UUID> source,
        Optional<OutcomeStatus> status,
        boolean isUnknown,
        ListLook look) {

    static LedgerFilter of(TypedFields asked) {
        return new LedgerFilter(
                FilterValues.text(asked.raw("find")),
                FilterValues.one(OutcomeKind.values(), asked.raw("kind")),
                FilterValues.id(asked.raw("source")),
                FilterValues.one(OutcomeStatus.values(), asked.raw("status")),
                asked.raw("joined").equals("no"),
                ListLook.of(LedgerColumns.ALL, "when", asked));
    }

    /** Whether it holds outcomes back, beside those of other kinds. */
    public boolean isNarrow() {
        return !find.isBlank() || source.isPresent() || status.isPresent() || isUnknown;
    }

    /** The same of all kinds, joined to a source or not. */
    public LedgerFilter ofAllKinds() {
        return new LedgerFilter(find, Optional.empty(), source, status, false, look);
    }

    public LedgerFilter of(OutcomeKind other) {
        return new LedgerFilter(find, Optional.of(other), source, status, false, look);
    }

    /** Those of no source. */
    public LedgerFilter unknown() {
        return new LedgerFilter(find, kind, Optional.empty(), status, true, look);
    }

    /** The part of an address that brings the same ledger again. */
    public String query() {
        return look.behind(rest());
    }

    /** The same, but for how it is sorted and which columns it has. */
    public String rest() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("find", find);
        said.put("kind", kind.map(OutcomeKind::key).orElse(""));
        said.put("source", source.map(UUID::toString).orElse(""));
        said.put("status", status.map(OutcomeStatus::key).orElse(""));
        said.put("joined", isUnknown ? "no" : "");
        return FilterValues.query(said);
    }

    /** As it follows other parameters in an address. */
    public String more() {
        String query = query();
        return query.isEmpty() ? "" : "&" + query;
    }

    /** The part of an address that holds back less. */
    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}
