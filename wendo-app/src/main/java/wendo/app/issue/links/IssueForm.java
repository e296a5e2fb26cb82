package wendo.app.issue.links;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import wendo.app.platform.site.TypedFields;

/**
 * What is on the desk: as typed, nothing checked yet. Each destination gets a link for each source; what is typed for one
 * link stands under the key of both, {@code 0.<source>} for the first destination.
 *
 * @param slugs typed endings; a link without one gets one that is made
 * @param names typed names; a link without one gets a name made of source and campaign
 * @param fields values of the tag plan's typed fields for all links, by parameter
 * @param ownFields values for one link, by key and parameter with a dot between them
 * @param goesAhead whether links are wanted although a destination fails
 */
record IssueForm(
        List<String> destinations,
        String campaign,
        IssueContext.Choice choice,
        LinkTerms terms,
        List<UUID> sources,
        Map<String, String> slugs,
        Map<String, String> names,
        Map<String, String> fields,
        Map<String, String> ownFields,
        NewSource newSource,
        boolean goesAhead) {
    static final int MAX_DESTINATIONS = 10;

    private static final String SLUG = "slug.";
    private static final String NAME = "name.";
    private static final String FIELD = "field.";
    private static final String OWN_FIELD = "own.";

    /** A free ending that was offered and taken instead of the typed one. */
    private static final String USE = "use.";

    /** A source to be added on the spot. */
    record NewSource(String name, String channel) {
        static NewSource none() {
            return new NewSource("", "");
        }
    }

    IssueForm {
        destinations = List.copyOf(destinations);
        sources = List.copyOf(sources);
        slugs = Map.copyOf(slugs);
        names = Map.copyOf(names);
        fields = Map.copyOf(fields);
        ownFields = Map.copyOf(ownFields);
    }

    static IssueForm empty() {
        return new IssueForm(
                List.of(""),
                "",
                IssueContext.Choice.usual(),
                LinkTerms.none(),
                List.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                NewSource.none(),
                false);
    }

    static IssueForm of(TypedFields typed) {
        Map<String, String> slugs = new HashMap<>(typed.behind(SLUG));
        slugs.putAll(typed.behind(USE));
        return new IssueForm(
                destinations(typed),
                typed.text("campaign"),
                new IssueContext.Choice(typed.text("host"), typed.text("plan"), typed.text("pattern")),
                terms(typed),
                typed.all("source").stream()
                        .flatMap(id -> IssueContext.findUuid(id).stream())
                        .distinct()
                        .toList(),
                slugs,
                typed.behind(NAME),
                typed.behind(FIELD),
                typed.behind(OWN_FIELD),
                new NewSource(typed.text("newSource"), typed.text("newChannel")),
                typed.text("goAhead").equals("yes"));
    }

    private static List<String> destinations(TypedFields typed) {
        List<String> filled = typed.all("destination").stream()
                .map(String::strip)
                .filter(address -> !address.isEmpty())
                .limit(MAX_DESTINATIONS)
                .toList();
        return filled.isEmpty() ? List.of("") : filled;
    }

    static LinkTerms terms(TypedFields typed) {
        return LinkTerms.of(typed::text);
    }

    IssueForm withSource(UUID source) {
        List<UUID> all = new ArrayList<>(sources);
        if (!all.contains(source)) {
            all.add(source);
        }
        return new IssueForm(
                destinations,
                campaign,
                choice,
                terms,
                all,
                slugs,
                names,
                fields,
                ownFields,
                NewSource.none(),
                goesAhead);
    }

    /** What a pasted address told of its links, in the places where it belongs; what is typed already stays. */
    IssueForm withAdopted(int destination, PastedOffer offer) {
        List<String> addresses = new ArrayList<>(destinations);
        addresses.set(destination, offer.bare());
        List<UUID> all = new ArrayList<>(sources);
        offer.source().filter(id -> !all.contains(id)).ifPresent(all::add);
        Map<String, String> values = new HashMap<>(offer.fields());
        values.putAll(fields.entrySet().stream()
                .filter(entry -> !entry.getValue().isEmpty())
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
        return new IssueForm(
                addresses,
                campaign.isEmpty() ? offer.campaign() : campaign,
                choice,
                terms,
                all,
                slugs,
                names,
                values,
                ownFields,
                offer.source().isPresent() ? newSource : offer.newSource(),
                goesAhead);
    }

    IssueForm withAnotherDestination() {
        List<String> all = new ArrayList<>(destinations);
        if (all.size() < MAX_DESTINATIONS) {
            all.add("");
        }
        return new IssueForm(
                all, campaign, choice, terms, sources, slugs, names, fields, ownFields, newSource, goesAhead);
    }

    /** The wishes of the sheet, in the order of destinations, then sources. */
    List<LinkWish> wishes() {
        List<LinkWish> wishes = new ArrayList<>();
        for (int i = 0; i < destinations.size(); i++) {
            for (UUID source : sources) {
                wishes.add(wish(i, source));
            }
        }
        return wishes;
    }

    private LinkWish wish(int destination, UUID source) {
        String key = key(destination, source);
        Map<String, String> own = new HashMap<>(fields);
        ownFields.forEach((name, value) -> {
            if (name.startsWith(key + ".") && !value.isEmpty()) {
                own.put(name.substring(key.length() + 1), value);
            }
        });
        return new LinkWish(
                destinations.get(destination),
                source.toString(),
                "",
                campaign,
                slugs.getOrDefault(key, ""),
                names.getOrDefault(key, ""),
                own,
                terms);
    }

    static String key(int destination, UUID source) {
        return destination + "." + source;
    }
}
