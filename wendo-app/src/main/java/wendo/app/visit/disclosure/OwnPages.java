package wendo.app.visit.disclosure;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.springframework.stereotype.Component;
import wendo.app.prepare.destinations.PageReader;
import wendo.core.links.WebAddress;
import wendo.core.visits.OutgoingPattern;

/** Reads the business's own pages: those that are known, and those that they lead to on the same sites. */
@Component
class OwnPages {
    /** So many are read at a time; a shop with more of them is not read to its end. */
    static final int MOST = 200;

    private final PageReader reader;

    OwnPages(PageReader reader) {
        this.reader = reader;
    }

    /**
     * Where reading begins.
     *
     * @param sites the business's own hosts, below which everything is its own too
     * @param linkHosts hosts whose addresses are links, which nobody must follow for it
     */
    record Start(List<String> addresses, Set<String> sites, Set<String> linkHosts, boolean allowsLocal) {
        Start {
            addresses = List.copyOf(addresses);
            sites = sites.stream()
                    .map(site -> site.replaceFirst("^www\\.", ""))
                    .collect(Collectors.toUnmodifiableSet());
            linkHosts = Set.copyOf(linkHosts);
        }

        private boolean isOwn(WebAddress address) {
            String host = address.host();
            return !linkHosts.contains(host)
                    && sites.stream().anyMatch(site -> host.equals(site) || host.endsWith("." + site));
        }

        /** Of a page of the business's own, without what is behind a question mark. */
        private Optional<WebAddress> own(String address) {
            try {
                return Optional.of(WebAddress.of(address.replaceFirst("[?#].*$", "")))
                        .filter(this::isOwn);
            } catch (IllegalArgumentException e) {
                return Optional.empty(); // no page
            }
        }
    }

    /** @param unreadable how many did not answer with a page */
    record Found(Map<String, ReadPage> pages, int unreadable) {
        static final Found NOTHING = new Found(Map.of(), 0);
    }

    Found read(Start start, ReadPage.Wanted wanted) {
        Deque<WebAddress> waiting = new ArrayDeque<>();
        Map<String, WebAddress> known = new LinkedHashMap<>();
        start.addresses().forEach(address -> meet(start.own(address), known, waiting));
        Map<String, ReadPage> pages = new LinkedHashMap<>();
        int unreadable = 0;
        for (int read = 0; read < MOST && !waiting.isEmpty(); read++) {
            WebAddress address = waiting.poll();
            Optional<Document> page = reader.read(address, start.allowsLocal());
            if (page.isEmpty()) {
                unreadable++;
                continue;
            }
            pages.put(OutgoingPattern.normal(address.toString()), ReadPage.of(page.get(), wanted));
            links(page.get()).forEach(link -> meet(start.own(link), known, waiting));
        }
        return new Found(pages, unreadable);
    }

    private static List<String> links(Document page) {
        List<String> links = new ArrayList<>();
        for (Element link : page.select("a[href]")) {
            String address = link.absUrl("href");
            if (address.startsWith("http") && !address.matches("(?i).*\\.(pdf|jpe?g|png|gif|webp|svg|zip|mp4|ics)$")) {
                links.add(address);
            }
        }
        return links;
    }

    private static void meet(Optional<WebAddress> page, Map<String, WebAddress> known, Deque<WebAddress> waiting) {
        page.ifPresent(one -> {
            if (known.putIfAbsent(OutgoingPattern.normal(one.toString()), one) == null) {
                waiting.add(one);
            }
        });
    }
}
