package wendo.app.desk.welcome;

import java.util.Locale;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;

/** Where businesses usually show their address. */
enum TypicalPlace {
    NEWSLETTER(Channel.NEWSLETTER),
    FLYER(Channel.PRINT),
    POSTCARDS(Channel.PRINT),
    BUSINESS_CARDS(Channel.PRINT),
    MENU(Channel.PRINT),
    RECEIPTS(Channel.PRINT),
    SHOP_WINDOW(Channel.PLACE),
    COUNTER_SIGN(Channel.PLACE),
    VEHICLE(Channel.PLACE),
    NOTICE_BOARD(Channel.PLACE),
    TEXT_MESSAGE(Channel.TEXT),
    SEARCH_ADS(Channel.AD),
    SOCIAL_ADS(Channel.AD),
    SOCIAL_PROFILE(Channel.SOCIAL),
    POSTS(Channel.SOCIAL),
    MAP_LISTING(Channel.OTHER),
    EMAIL_SIGNATURE(Channel.OTHER),
    PARTNER(Channel.PARTNER),
    LOCAL_PAPER(Channel.PRINT);

    private final Channel channel;

    TypicalPlace(Channel channel) {
        this.channel = channel;
    }

    public Channel channel() {
        return channel;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of("desk.welcome.place", key());
    }
}
