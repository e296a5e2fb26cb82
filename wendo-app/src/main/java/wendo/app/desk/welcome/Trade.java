package wendo.app.desk.welcome;

import static wendo.app.desk.welcome.TypicalPlace.*;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import wendo.app.platform.site.Texts;

/** Kinds of business, each with the places where its address is usually shown. Common practice. */
enum Trade {
    OTHER(NEWSLETTER, FLYER, BUSINESS_CARDS, SOCIAL_PROFILE, SEARCH_ADS, PARTNER),
    LEISURE(POSTCARDS, NOTICE_BOARD, NEWSLETTER, TEXT_MESSAGE, SOCIAL_PROFILE, SEARCH_ADS, PARTNER),
    FOOD(MENU, COUNTER_SIGN, RECEIPTS, SOCIAL_PROFILE, POSTS, MAP_LISTING, FLYER),
    LODGING(POSTCARDS, NEWSLETTER, MAP_LISTING, SEARCH_ADS, SOCIAL_PROFILE, PARTNER),
    SHOP(SHOP_WINDOW, RECEIPTS, NEWSLETTER, SOCIAL_PROFILE, POSTS, SOCIAL_ADS, LOCAL_PAPER),
    CRAFT(VEHICLE, BUSINESS_CARDS, FLYER, LOCAL_PAPER, MAP_LISTING, SEARCH_ADS, PARTNER),
    BEAUTY(COUNTER_SIGN, BUSINESS_CARDS, TEXT_MESSAGE, SOCIAL_PROFILE, POSTS, SOCIAL_ADS),
    COURSES(FLYER, NOTICE_BOARD, NEWSLETTER, SOCIAL_PROFILE, SEARCH_ADS, PARTNER),
    SERVICES(EMAIL_SIGNATURE, BUSINESS_CARDS, NEWSLETTER, SEARCH_ADS, SOCIAL_PROFILE, PARTNER),
    EVENTS(POSTCARDS, NOTICE_BOARD, LOCAL_PAPER, NEWSLETTER, SOCIAL_ADS, PARTNER);

    private final List<TypicalPlace> places;

    Trade(TypicalPlace... places) {
        this.places = List.of(places);
    }

    static Trade of(String key) {
        return Arrays.stream(values())
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElse(OTHER);
    }

    public List<TypicalPlace> places() {
        return places;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of("desk.welcome.trade", key());
    }
}
