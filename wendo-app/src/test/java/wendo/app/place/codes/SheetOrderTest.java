package wendo.app.place.codes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.web.util.UriComponentsBuilder;
import wendo.core.media.Correction;

class SheetOrderTest {

    private static SheetOrder sheet(Map<String, String> typed) {
        return SheetOrder.of(name -> typed.getOrDefault(name, ""));
    }

    private static CodeOrder code(Map<String, String> typed) {
        return CodeOrder.of(name -> typed.getOrDefault(name, ""));
    }

    @Test
    void an_order_comes_back_from_its_own_address() {
        for (String sheet : new String[] {"a4-24", "a6-1", "own", "nonsense"}) {
            SheetOrder order = sheet(Map.of("sheet", sheet, "columns", "2", "cellWidth", "50,5", "gapAcross", "1.25"));
            Map<String, String> again = UriComponentsBuilder.fromUriString("?" + order.query())
                    .build()
                    .getQueryParams()
                    .toSingleValueMap();
            assertThat(sheet(new HashMap<>(decoded(again))).layout()).isEqualTo(order.layout());
        }
        CodeOrder order = code(Map.of(
                "side", "33,5", "correction", "H", "capitals", "no", "under", "both", "mark", "yes", "copies", "12"));
        Map<String, String> again = UriComponentsBuilder.fromUriString("?" + order.query())
                .build()
                .getQueryParams()
                .toSingleValueMap();
        assertThat(code(again)).isEqualTo(order);
    }

    private static Map<String, String> decoded(Map<String, String> query) {
        Map<String, String> plain = new HashMap<>();
        query.forEach((name, value) ->
                plain.put(name, java.net.URLDecoder.decode(value, java.nio.charset.StandardCharsets.UTF_8)));
        return plain;
    }

    @ParameterizedTest
    @CsvSource({
        "8, 8, ''",
        "7.99, 25, Enter a number from 8 to 1000.",
        "1000, 1000, ''",
        "1000.1, 25, Enter a number from 8 to 1000.",
        "' 12,5 ', 12.5, ''",
        "1e3, 25, Enter a number from 8 to 1000.",
        "NaN, 25, Enter a number from 8 to 1000.",
        "'', 25, ''",
        "-9, 25, Enter a number from 8 to 1000."
    })
    void a_side_is_a_number_with_point_or_comma(String typed, double side, String fault) {
        CodeOrder order = code(Map.of("side", typed));
        assertThat(order.side()).isEqualTo(side);
        assertThat(order.faults().getOrDefault("side", "")).isEqualTo(fault);
    }

    @Test
    void what_is_not_said_is_the_usual_for_print() {
        CodeOrder usual = code(Map.of());
        assertThat(usual).isEqualTo(new CodeOrder(25, Correction.Q, true, CodeOrder.Under.ADDRESS, false, 1, Map.of()));
        assertThat(sheet(Map.of()).key()).isEqualTo("a4-24");
        assertThat(sheet(Map.of("sheet", "own")).fault()).isEmpty();
        assertThat(sheet(Map.of("sheet", "own", "rows", "99")).fault()).contains("The rows need");
        assertThat(sheet(Map.of("sheet", "own", "rows", "many")).fault()).contains("in millimetres, as numbers");
    }

    @Test
    void the_usual_sheets_keep_within_their_paper() {
        for (SheetOrder.Usual one : SheetOrder.USUAL) {
            int last = one.layout().cells() - 1;
            assertThat(one.layout().left(last) + one.layout().cellWidth())
                    .as(one.words())
                    .isLessThanOrEqualTo(one.layout().paperWidth() + 0.01);
            assertThat(one.layout().top(last) + one.layout().cellHeight())
                    .as(one.words())
                    .isLessThanOrEqualTo(one.layout().paperHeight() + 0.01);
        }
    }
}
