package wendo.app.prepare.sources;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import wendo.app.platform.business.BusinessRow;
import wendo.core.links.Channel;

/** How many days a touch of one channel may earn credit. */
@Entity
class ChannelWindow extends BusinessRow {
    @Id
    @Enumerated(EnumType.STRING)
    private Channel channel;

    private int days;

    @SuppressWarnings("NullAway.Init")
    protected ChannelWindow() {}

    ChannelWindow(Channel channel) {
        this.channel = channel;
    }

    Channel channel() {
        return channel;
    }

    int days() {
        return days;
    }

    void last(int newDays) {
        this.days = newDays;
    }
}
