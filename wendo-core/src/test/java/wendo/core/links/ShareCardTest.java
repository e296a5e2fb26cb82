package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ShareCardTest {
    @Test
    void what_fits_stays_with_its_spaces_in_order() {
        ShareCard card = new ShareCard("  Learn to\n sail\u00a0 ", "Two days\ton the bay.");
        assertThat(card).isEqualTo(new ShareCard("Learn to sail", "Two days on the bay."));
    }

    @Test
    void what_is_too_long_is_cut_after_a_word() {
        String words = "sailing ".repeat(30);
        assertThat(new ShareCard(words, "").title())
                .hasSizeLessThanOrEqualTo(ShareCard.MAX_TITLE)
                .endsWith("sailing…");
        assertThat(new ShareCard("", words).text())
                .hasSizeLessThanOrEqualTo(ShareCard.MAX_TEXT)
                .endsWith("sailing…");
    }

    @Test
    void one_long_word_is_cut_at_the_limit_and_no_character_in_its_middle() {
        assertThat(new ShareCard("x".repeat(300), "").title()).isEqualTo("x".repeat(99) + "…");
        String boats = "\ud83d\udea4".repeat(80);
        assertThat(new ShareCard(boats, "").title()).isEqualTo("\ud83d\udea4".repeat(49) + "…");
    }

    @Test
    void where_a_link_says_nothing_its_page_does() {
        ShareCard own = new ShareCard("Half price in May", "");
        ShareCard page = new ShareCard("Courses", "Two days on the bay.");
        assertThat(own.orElse(page)).isEqualTo(new ShareCard("Half price in May", "Two days on the bay."));
        assertThat(ShareCard.NONE.orElse(page)).isEqualTo(page);
        assertThat(ShareCard.NONE.isEmpty()).isTrue();
    }
}
