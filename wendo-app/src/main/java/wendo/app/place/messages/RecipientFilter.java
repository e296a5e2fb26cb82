package wendo.app.place.messages;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.TypedFields;

/** Which recipients a list shows, as it stands in the address. */
record RecipientFilter(String find, State state, int page, ListLook look) {
    static final int PAGE_SIZE = 100;

    /** What somebody did with the message. */
    enum State {
        ALL {
            @Override
            boolean holds(RecipientRow row) {
                return true;
            }
        },
        TAPPED {
            @Override
            boolean holds(RecipientRow row) {
                return row.taps() > 0;
            }
        },
        NOT_YET {
            @Override
            boolean holds(RecipientRow row) {
                return row.taps() == 0 && row.isReachable();
            }
        },
        WITHOUT_LINK {
            @Override
            boolean holds(RecipientRow row) {
                return !row.isReachable();
            }
        };

        abstract boolean holds(RecipientRow row);

        public String key() {
            return FilterValues.key(this);
        }
    }

    static RecipientFilter of(TypedFields asked) {
        String page = asked.text("page");
        return new RecipientFilter(
                FilterValues.text(asked.raw("find")),
                FilterValues.one(State.values(), asked.raw("state")).orElse(State.ALL),
                page.matches("\\d{1,4}") ? Integer.parseInt(page) : 0,
                ListLook.of(RecipientColumns.ALL, "last", asked));
    }

    /** Those that it lets through, in its order. */
    List<RecipientRow> choose(List<RecipientRow> rows) {
        String part = find.toLowerCase(Locale.ROOT);
        List<RecipientRow> chosen = rows.stream()
                .filter(row -> state.holds(row)
                        && (row.who() + ' ' + row.contactBeside())
                                .toLowerCase(Locale.ROOT)
                                .contains(part))
                .toList();
        return look.sorted(chosen, RecipientColumns.order(look.sorted()));
    }

    /** Of those that were chosen, the ones on this page. */
    List<RecipientRow> onPage(List<RecipientRow> chosen) {
        return chosen.stream().skip((long) page * PAGE_SIZE).limit(PAGE_SIZE).toList();
    }

    public boolean isNarrow() {
        return !find.isBlank() || state != State.ALL;
    }

    public String query() {
        return look.behind(rest());
    }

    /** The same, but for how the list is sorted and which columns it has. */
    public String rest() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("find", find);
        said.put("state", state == State.ALL ? "" : state.key());
        return FilterValues.query(said);
    }

    /** The part of an address that holds back less. */
    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}
