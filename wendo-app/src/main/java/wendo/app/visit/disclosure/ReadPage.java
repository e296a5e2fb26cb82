package wendo.app.visit.disclosure;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.select.NodeTraversor;
import wendo.core.visits.OutgoingPattern;

/**
 * A page of the business's own as its server sends it, looked at for links that earn. What scripts add later is not seen.
 *
 * @param earning how many of its links earn
 * @param unmarked how many of these do not say {@code rel="sponsored"}
 * @param said who says that they earn: the page's own text before the first of them or around it, else the site tag
 */
record ReadPage(int earning, int unmarked, Said said) {
    enum Said {
        PAGE,
        TAG,
        NOBODY
    }

    /** What is looked for. @param texts what says that links earn, in any language */
    record Wanted(List<OutgoingPattern> earning, Collection<String> texts, DisclosurePlace place) {
        Wanted {
            earning = List.copyOf(earning);
            texts = texts.stream().map(Wanted::plain).toList();
        }

        private boolean earns(Element link) {
            String address = OutgoingPattern.normal(link.absUrl("href"));
            return earning.stream().anyMatch(one -> one.matches(address));
        }

        private boolean isSaidIn(String text) {
            String plain = plain(text);
            return texts.stream().anyMatch(plain::contains);
        }

        private static String plain(String text) {
            return text.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
        }
    }

    /** Where scripts of ours are asked to say it. */
    private static final String TAG = "script[src*=/t/wendo.js][data-disclosure]";

    static ReadPage of(Document page, Wanted wanted) {
        List<Element> earning =
                page.select("a[href]").stream().filter(wanted::earns).toList();
        boolean hasTag = wanted.place() != DisclosurePlace.OFF && page.selectFirst(TAG) != null;
        int unmarked = (int) earning.stream()
                .filter(link -> !hasTag && !(" " + link.attr("rel") + " ").contains(" sponsored "))
                .count();
        return new ReadPage(earning.size(), unmarked, said(page, earning, hasTag, wanted));
    }

    private static Said said(Document page, List<Element> earning, boolean hasTag, Wanted wanted) {
        if (earning.isEmpty() || isSaidBefore(page, earning.get(0), wanted)) {
            return Said.PAGE;
        }
        return hasTag ? Said.TAG : Said.NOBODY;
    }

    private static boolean isSaidBefore(Document page, Element first, Wanted wanted) {
        StringBuilder before = new StringBuilder();
        NodeTraversor.filter(
                (Node node, int depth) -> {
                    if (node == first) {
                        return org.jsoup.select.NodeFilter.FilterResult.STOP;
                    }
                    if (node instanceof TextNode text) {
                        before.append(text.text()).append(' ');
                    }
                    return org.jsoup.select.NodeFilter.FilterResult.CONTINUE;
                },
                page.body());
        String around = Optional.ofNullable(first.parent()).map(Element::text).orElse("");
        return wanted.isSaidIn(before.toString()) || wanted.isSaidIn(around);
    }
}
