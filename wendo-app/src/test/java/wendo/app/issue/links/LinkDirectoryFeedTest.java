package wendo.app.issue.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import wendo.app.WendoTest;

/** A second directory with a connection of its own, as another application process has one. */
class LinkDirectoryFeedTest extends WendoTest {
    @Autowired
    private DataSourceProperties database;

    private final LinkDirectory directory = new LinkDirectory();
    private LinkDirectoryFeed feed;
    private Tenant tenant;
    private List<String> slugs;

    @BeforeEach
    void open() {
        tenant = tenant("Knot & Sons");
        slugs = http().issue(tenant.apiKey(), "https://knot.example/", "Spring", "Postcards", "Radio");
        feed = new LinkDirectoryFeed(directory, database);
        feed.start();
    }

    @AfterEach
    void stop() {
        feed.stop();
    }

    private Optional<LinkDirectory.Target> known(String slug) {
        return directory.findHost(tenant.host()).flatMap(host -> host.find(slug));
    }

    private void change(String sql) {
        in(tenant, () -> jdbc.sql(sql).update());
    }

    @Test
    void another_process_knows_all_links_from_its_start_and_hears_of_each_change() {
        assertThat(slugs).allMatch(slug -> known(slug).isPresent());
        String later = http().issue(tenant.apiKey(), "https://knot.example/", "Spring", "Sign")
                .get(0);
        await("it hears of a new link", () -> known(later).isPresent());
        change("update link set tagged_address = 'https://knot.example/moved' where slug = '" + later + "'");
        await(
                "it hears of a moved one",
                () -> known(later).orElseThrow().own().address().equals("https://knot.example/moved"));
    }

    @Test
    void what_a_business_changes_of_itself_reads_its_own_links_anew_and_leaves_all_others_as_they_are() {
        Tenant other = tenant("Osprey Outings");
        String others = http().issue(other.apiKey(), "https://osprey.example/", "Spring", "Sign")
                .get(0);
        await(
                "it hears of both",
                () -> directory
                        .findHost(other.host())
                        .flatMap(host -> host.find(others))
                        .isPresent());
        Map<String, LinkDirectory.Target> before =
                Map.copyOf(directory.findHost(other.host()).orElseThrow().targets());
        change(
                "update link set last_day = date '2026-06-01', outside_address = 'https://knot.example/over' where slug = '"
                        + slugs.get(0) + "'");
        await(
                "it knows the last day",
                () -> known(slugs.get(0)).orElseThrow().days().isPresent());
        var inLondon = known(slugs.get(0)).orElseThrow().days().orElseThrow().closesAt();
        change("update business set zone = 'Pacific/Auckland', keeps_visitor_cookie = false");
        await(
                "its days are those of the new zone",
                () -> known(slugs.get(0))
                        .orElseThrow()
                        .days()
                        .orElseThrow()
                        .closesAt()
                        .isBefore(inLondon));
        LinkDirectory.Host host = directory.findHost(tenant.host()).orElseThrow();
        assertThat(host.keepsCookie()).isFalse();
        assertThat(host.targets()).hasSize(2);
        assertThat(directory.findHost(other.host()).orElseThrow().targets())
                .as("the very same, not read again")
                .allSatisfy((slug, target) -> assertThat(target).isSameAs(before.get(slug)));
    }
}
