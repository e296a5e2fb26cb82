package wendo.app.desk.demo;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import java.util.TreeMap;

/** Four partners with different terms, their statements of the season, and what was paid. */
final class DemoPartners {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final String CAMPSITE = "Saltgrass Campsite";
    private static final String HOUSE = "Heron House";
    private static final String SHOP = "Gannet Outdoor";
    private static final String COTTAGES = "Kestrel Cottages";

    private static final String WORDS = "You tell people about us, with a link or a code of your own."
            + " For each booking that comes by you, you get a share.";

    private DemoPartners() {}

    /** Before anybody comes. */
    static void meet(DemoBrowser maren, LocalDate firstDay) {
        Map<String, String> pages = new TreeMap<>();
        for (String name : new String[] {CAMPSITE, HOUSE, SHOP, COTTAGES}) {
            pages.put(
                    name, maren.send("/partners", "/partners", "name: " + name).replace("/terms", ""));
        }
        agree(maren, pages.getOrDefault(CAMPSITE, ""), """
                way: both
                firstDay: %s
                rate.lead: 4.00
                rate.booking: 8%%
                over.booking.1: 8
                rate.booking.1: 10%%
                heldDays: 14
                """.formatted(firstDay));
        agree(maren, pages.getOrDefault(HOUSE, ""), """
                way: code
                firstDay: %s
                rate.booking: 12.00
                rate.purchase: 6.00
                firstOnly: yes
                heldDays: 7
                """.formatted(firstDay));
        agree(maren, pages.getOrDefault(SHOP, ""), """
                way: both
                firstDay: %s
                rate.purchase: 10%%
                taxPercent: 20
                mostPerOutcome: 15.00
                mostPerMonth: 120.00
                heldDays: 30
                """.formatted(firstDay));
        agree(maren, pages.getOrDefault(COTTAGES, ""), """
                way: both
                firstDay: %s
                rate.lead: 3.00
                rate.booking: 5%%
                """.formatted(
                        LocalDate.now(LONDON).withDayOfMonth(1)));
        tell(maren, pages.getOrDefault(CAMPSITE, ""), "Wren Talbot|wren@saltgrass.example");
        tell(maren, pages.getOrDefault(HOUSE, ""), "Ida Marsh|ida@heronhouse.example");
        tell(maren, pages.getOrDefault(SHOP, ""), "Cole Brandt|cole@gannet.example");
        pay(maren, pages.getOrDefault(CAMPSITE, ""), CAMPSITE, "GB41SALT00000055512345");
        pay(maren, pages.getOrDefault(SHOP, ""), SHOP, "GB20GANN00000055598765");
        String house = pages.getOrDefault(HOUSE, "");
        maren.send(
                house + "/details",
                house + "/payout",
                "payout: other\npayoutOther: Cash at the harbour office\nminimum: 25");
        maren.send(
                "/partners/payments",
                "/partners/payments/account",
                "name: Marram Point Sailing\niban: GB24MARP00000012345601\nversion: 0");
    }

    private static void agree(DemoBrowser maren, String page, String terms) {
        maren.send(page + "/terms", page + "/terms", terms);
    }

    private static void tell(DemoBrowser maren, String page, String contact) {
        String[] parts = contact.split("\\|");
        maren.send(
                page + "/details",
                page + "/details",
                "contact: %s\nemail: %s\nlanguage: en".formatted(parts[0], parts[1]));
        maren.send(page + "/details", page + "/page", "values: yes");
    }

    private static void pay(DemoBrowser maren, String page, String name, String iban) {
        maren.send(
                page + "/details",
                page + "/payout",
                "payout: iban\naccountName: %s\niban: %s\nminimum: 20".formatted(name, iban));
    }

    /** One partner says that a booking was theirs, and asks; the business gives all of them something to use. */
    static void dispute(DemoBrowser maren, String booking) {
        String page = maren.send("/partners", "/partners/registrations/page", "words: %s".formatted(WORDS))
                .replace("/registrations", "");
        String registration = maren.find("/partners/registrations", "/t/partner-registration/[\\w-]+");
        maren.post(
                registration,
                "name: Ines Afloat\ncontact: Ines Ibarra\nemail: ines@afloat.example\n"
                        + "website: afloat.example/ines\nsaid: I film my first season on the water, 9,000 people follow it.");
        String partner = maren.find(page, "/partners/[0-9a-f-]{36}(?=[^<]*>Saltgrass Campsite)");
        String open = maren.find(partner + "/details", "/t/partners/[\\w-]+");
        maren.post(
                open + "/claims",
                "kind: booking\nreference: %s\n".formatted(booking)
                        + "said: They stayed on pitch 14 and rang you from our office.");
        maren.post(open + "/messages", "body: Could we have a new picture of the slipway for our board?");
        maren.send(partner + "/exchange", partner + "/exchange/materials", """
                title: Two sentences for your website
                text: Learn to sail where we do: Marram Point Sailing is ten minutes down the coast path.\\nTell them that we sent you.
                forAll: yes
                """);
    }

    /** After everybody came and all is credited: a statement for each month that is over, and one order that was paid. */
    static void settle(DemoBrowser maren) {
        maren.send("/partners/payments", "/partners/payments/statements", "month: ");
        maren.send("/partners/payments", "/partners/payments/orders", "payOn: " + LocalDate.now(LONDON));
        maren.send("/partners/payments", "/partners/payments/orders/1", "state: paid");
    }
}
