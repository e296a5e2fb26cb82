package wendo.app.place.placements;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wendo.app.issue.links.LinkListed;
import wendo.app.outcome.networks.NetworkDirectory;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.links.Tagging;

/**
 * The address that an ad system is given, and its parts. The parameters that the ad system fills itself are put at the
 * end, letter for letter: escaped, it would not know its own words.
 *
 * @param finalAddress the tagged page itself: ad systems refuse an address that redirects to another host
 * @param page with the fragment, which stands last in the whole address
 * @param suffix the part behind the question mark, for systems that want it apart
 * @param fault what was wrong with the parameters to fill; empty text if nothing
 */
record AdAddress(
        String finalAddress, String page, String suffix, Map<String, String> tags, List<String> filled, String fault) {
    static final int MAX_FILL = Limits.FILL;

    static AdAddress of(LinkListed link, Optional<NetworkDirectory.LinkSubId> subId, String typed) {
        int hash = link.taggedAddress().indexOf('#');
        String fragment = hash < 0 ? "" : link.taggedAddress().substring(hash);
        String address = hash < 0 ? link.taggedAddress() : link.taggedAddress().substring(0, hash);
        int question = address.indexOf('?');
        String page = question < 0 ? address : address.substring(0, question);
        List<String> filled = new ArrayList<>();
        String fault = "";
        for (String line : typed.strip().split("[\\s&]+", -1)) {
            if (line.matches("[A-Za-z][A-Za-z0-9_.-]{0,39}=\\S{1,100}")) {
                filled.add(line);
            } else if (!line.isEmpty()) {
                fault = Texts.of(
                        "place.placements.is-not-a-name-an", line.length() <= 40 ? line : line.substring(0, 40) + "…");
            }
        }
        String own = question < 0 ? "" : address.substring(question + 1);
        Optional<String> sub = subId.flatMap(one -> one.value().map(value -> one.parameter() + "=" + value));
        String suffix = String.join("&", join(own, sub, filled));
        return new AdAddress(
                page + (suffix.isEmpty() ? "" : "?" + suffix) + fragment,
                page + fragment,
                suffix,
                tags(link, subId),
                List.copyOf(filled),
                fault);
    }

    private static Map<String, String> tags(LinkListed link, Optional<NetworkDirectory.LinkSubId> subId) {
        Map<String, String> tags = new LinkedHashMap<>(Tagging.read(link.tags()));
        subId.ifPresent(one -> one.value().ifPresent(value -> tags.put(one.parameter(), value)));
        return tags;
    }

    private static List<String> join(String own, Optional<String> sub, List<String> filled) {
        List<String> all = new ArrayList<>();
        if (!own.isEmpty()) {
            all.add(own);
        }
        sub.ifPresent(all::add);
        all.addAll(filled);
        return all;
    }
}
