package wendo.app.audience.addesks;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.audience.audiences.AudiencePeople;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.destinations.OutsideCalls;
import wendo.core.audience.HashedContact;

/**
 * Brings a desk's list to what the audience is now: whoever agreed to advertising is on it, hashed, and nobody else. Each
 * portion is on record once the desk has taken it; adding twice, after a crash, adds once. No transaction waits for a desk.
 */
@Component
class TransferRun {
    private static final int PORTION = 5_000;

    private final Transfers transfers;
    private final Transferred there;
    private final AudiencePeople audiences;
    private final OutsideCalls outside;
    private final Businesses businesses;
    private final JsonMapper json;

    TransferRun(
            Transfers transfers,
            Transferred there,
            AudiencePeople audiences,
            OutsideCalls outside,
            Businesses businesses,
            JsonMapper json) {
        this.transfers = transfers;
        this.there = there;
        this.audiences = audiences;
        this.outside = outside;
        this.businesses = businesses;
        this.json = json;
    }

    /** The desk did not take what it was given. */
    private static final class NotTaken extends Exception {
        private static final long serialVersionUID = 1;

        NotTaken(String why) {
            super(why);
        }
    }

    void run(UUID id) {
        transfers.run(id).ifPresent(run -> {
            try {
                transfers.ran(id, bring(run));
            } catch (IOException e) {
                transfers.failed(id, Texts.kept("audience.addesks.desk-unreachable"));
            } catch (NotTaken e) {
                transfers.failed(id, String.valueOf(e.getMessage()));
            }
        });
    }

    private Transfers.Done bring(Transfers.Run run) throws IOException, NotTaken {
        Set<String> wanted = run.isEnded() ? Set.of() : wanted(run.audience());
        Set<String> had = new HashSet<>(there.of(run.id()));
        List<String> gone =
                had.stream().filter(one -> !wanted.contains(one)).sorted().toList();
        List<String> fresh = wanted.stream().filter(one -> !had.contains(one)).toList();
        for (List<String> portion : portions(gone)) { // first whoever withdrew
            call(run, "POST", "/remove", String.join("\n", portion));
            there.remove(run.id(), portion);
        }
        for (List<String> portion : portions(fresh)) {
            call(run, "POST", "/add", String.join("\n", portion));
            there.add(run.id(), portion);
        }
        JsonNode told = call(run, "GET", "", "");
        return new Transfers.Done(
                fresh.size(),
                gone.size(),
                told.path("size").asLong(0),
                told.path("matched").asLong(0));
    }

    /** In order, so that the same audience is given in the same order. */
    private Set<String> wanted(UUID audience) {
        Set<String> wanted = new TreeSet<>();
        audiences
                .reachable(audience, ConsentPurpose.ADVERTISING)
                .forEach(one ->
                        wanted.add(HashedContact.ofNormalised(one.contact()).hex()));
        return wanted;
    }

    private static List<List<String>> portions(List<String> all) {
        List<List<String>> portions = new ArrayList<>();
        for (int from = 0; from < all.size(); from += PORTION) {
            portions.add(all.subList(from, Math.min(all.size(), from + PORTION)));
        }
        return portions;
    }

    private JsonNode call(Transfers.Run run, String method, String change, String body) throws IOException, NotTaken {
        URI address = URI.create(run.address().replaceFirst("/+$", "") + "/lists/"
                + URLEncoder.encode(run.list(), StandardCharsets.UTF_8).replace("+", "%20") + change);
        OutsideCalls.Answer answer = outside.call(
                new OutsideCalls.Call(method, address, run.key(), body),
                businesses.current().allowsLocalDestinations());
        if (!answer.isTaken()) {
            throw new NotTaken(Texts.kept("audience.addesks.desk-refused", answer.status(), first(answer.text())));
        }
        try {
            return json.readTree(answer.text().isBlank() ? "{}" : answer.text());
        } catch (JacksonException e) {
            throw new NotTaken(Texts.kept("audience.addesks.desk-refused", answer.status(), first(answer.text())));
        }
    }

    private static String first(String text) {
        String line = text.lines().findFirst().orElse("");
        return line.length() <= 120 ? line : line.substring(0, 120);
    }
}
