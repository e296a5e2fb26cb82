package wendo.app.links;

import java.net.URI;
import java.util.Locale;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.links.Slug;

/** The hosts whose links Wendo answers for the current business. For now each business has one. */
@Service
public class LinkHosts {
    private final JdbcClient jdbc;

    /** A link host; {@code origin} is what is printed: scheme, name and, where needed, port. */
    public record LinkHost(UUID id, String origin) {
        public String address(Slug slug) {
            return origin + "/" + slug;
        }
    }

    LinkHosts(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public LinkHost defaultHost() {
        return jdbc.sql("select id, origin from link_host where is_default")
                .query((row, number) -> new LinkHost(row.getObject(1, UUID.class), row.getString(2)))
                .single();
    }

    /** Makes the host of this origin the business's default, or changes how its address is written. */
    @Transactional
    public void open(String origin) {
        jdbc.sql("""
                        insert into link_host (id, business_id, name, origin, is_default) values (?, ?, ?, ?, true)
                        on conflict (name) do update set origin = excluded.origin
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value())
                .params(URI.create(origin).getHost().toLowerCase(Locale.ROOT), origin)
                .update();
    }
}
