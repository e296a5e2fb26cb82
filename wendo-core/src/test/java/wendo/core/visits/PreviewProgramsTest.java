package wendo.core.visits;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** User agents as they were seen in logs; from memory. */
class PreviewProgramsTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            facebookexternalhit/1.1 (+http://www.facebook.com/externalhit_uatext.php)                     | true
            Mozilla/5.0 (Macintosh) AppleWebKit/601.2.4 (KHTML, like Gecko) Version/9.0.1 Safari/601.2.4 facebookexternalhit/1.1 Facebot Twitterbot/1.0 | true
            WhatsApp/2.23.20.0 A                                                                          | true
            TelegramBot (like TwitterBot)                                                                 | true
            Mozilla/5.0 (compatible; Discordbot/2.0; +https://discordapp.com)                             | true
            Mozilla/5.0 (iPhone) AppleWebKit/605.1.15 (KHTML, like Gecko) Mobile/15E148 WhatsApp/2.23      | false
            Mozilla/5.0 (Linux; Android 13) AppleWebKit/537.36 Chrome/119 Mobile Safari/537.36 Viber/21.0  | false
            Mozilla/5.0 (iPhone) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/17.0 Mobile Safari/604.1 | false
            Mozilla/5.0 (compatible; bingbot/2.0)                                                          | false
            Mozilla/5.0 (compatible; bitlybot/3.0)                                                         | false
            ''                                                                                             | false
            """)
    void a_card_is_drawn_for_programs_that_show_one_and_never_for_people(String userAgent, boolean draws) {
        assertThat(PreviewPrograms.drawsCards(userAgent)).isEqualTo(draws);
    }
}
