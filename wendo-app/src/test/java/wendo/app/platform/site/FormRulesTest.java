package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.entry;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.junit.jupiter.api.Test;

class FormRulesTest {
    private record Postcard(
            @NotBlank(message = "common.name") @Size(max = 10)
            String to,

            @Size(max = 5) String text,
            String free) {}

    @Test
    void a_form_within_its_limits_has_no_faults() {
        assertThat(FormRules.faults(new Postcard("Dunlin Bay", "12345", "x".repeat(9_999))))
                .isEmpty();
    }

    @Test
    void faults_stand_by_field_in_the_order_of_the_form() {
        assertThat(FormRules.faults(new Postcard(" ", "123456", "")))
                .containsExactly(entry("to", "Name"), entry("text", "It may have 5 characters; this has 6."));
    }

    @Test
    void other_rules_may_add_their_faults() {
        var faults = FormRules.faults(new Postcard("Ines", "", ""));
        faults.put("free", "Not today.");
        assertThat(faults).containsOnlyKeys("free");
    }

    /** Nothing is cut off behind somebody's back: the field takes more than may be kept. */
    @Test
    void a_field_takes_a_fifth_more_than_may_be_kept() {
        assertThat(new FieldRoom().of(new Postcard("", "", ""), "to")).isEqualTo(12);
        assertThat(new FieldRoom().of(new Postcard("", "", ""), "text")).isEqualTo(6);
    }

    @Test
    void a_field_without_a_limit_cannot_be_asked_for_one() {
        assertThatThrownBy(() -> new FieldRoom().of(new Postcard("", "", ""), "free"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("Postcard says no most length of free");
    }
}
