package wendo.app.place;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wendo.app.links.LinkListed;
import wendo.core.links.Tagging;

/**
 * The address that an ad system is given, and its parts. The parameters that the ad system fills itself are put at the
 * end, letter for letter: escaped, it would not know its own words.
 *
 * @param finalAddress the tagged page itself: ad systems refuse an address that redirects to another host
 * @param suffix the part behind the question mark, for systems that want it apart
 * @param fault what was wrong with the parameters to fill; empty text if nothing
 */
record AdAddress(
        String finalAddress, String page, String suffix, Map<String, String> tags, List<String> filled, String fault) {
    static final int MAX_FILL = 500;

    static AdAddress of(LinkListed link, String typed) {
        String address = link.taggedAddress().replaceFirst("#.*$", "");
        int question = address.indexOf('?');
        String page = question < 0 ? address : address.substring(0, question);
        List<String> filled = new ArrayList<>();
        String fault = "";
        for (String line : typed.strip().split("[\\s&]+", -1)) {
            if (line.matches("[A-Za-z][A-Za-z0-9_.-]{0,39}=\\S{1,100}")) {
                filled.add(line);
            } else if (!line.isEmpty()) {
                fault = "“%s” is not a name, an equals sign and the ad system's own word, like placement={placement}."
                        .formatted(line.length() <= 40 ? line : line.substring(0, 40) + "…");
            }
        }
        String own = question < 0 ? "" : address.substring(question + 1);
        String suffix = String.join("&", join(own, filled));
        return new AdAddress(
                page + (suffix.isEmpty() ? "" : "?" + suffix),
                page,
                suffix,
                new LinkedHashMap<>(Tagging.read(link.tags())),
                List.copyOf(filled),
                fault);
    }

    private static List<String> join(String own, List<String> filled) {
        List<String> all = new ArrayList<>();
        if (!own.isEmpty()) {
            all.add(own);
        }
        all.addAll(filled);
        return all;
    }
}
