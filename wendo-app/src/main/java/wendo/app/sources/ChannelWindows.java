package wendo.app.sources;

import java.util.EnumMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.credit.LookbackWindows;
import wendo.core.links.Channel;

/** How long a touch of each channel may earn credit for the current business. */
@Service
public class ChannelWindows {
    private final JdbcClient jdbc;

    ChannelWindows(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public LookbackWindows current() {
        Map<Channel, Integer> days = new EnumMap<>(Channel.class);
        jdbc.sql("select channel, days from channel_window").query(row -> {
            days.put(Channel.valueOf(row.getString(1)), row.getInt(2));
        });
        return new LookbackWindows(days);
    }

    @Transactional
    void change(LookbackWindows windows) {
        windows.days()
                .forEach((channel, days) -> jdbc.sql("""
                        insert into channel_window values (?, ?, ?)
                        on conflict (business_id, channel) do update set days = excluded.days
                        """)
                        .params(BusinessScope.current().value(), channel.name(), days)
                        .update());
    }
}
