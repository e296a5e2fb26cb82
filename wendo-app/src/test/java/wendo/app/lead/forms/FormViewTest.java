package wendo.app.lead.forms;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.appearance.Logos;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.brands.Brands;

/** In whose name a form speaks. */
class FormViewTest {
    private static final UUID LINK = UUID.randomUUID();
    private static final UUID BRAND = UUID.randomUUID();

    private final Brands brands = mock(Brands.class);
    private final LinkSaving links = mock(LinkSaving.class);
    private FormView view;

    @BeforeEach
    void open() {
        Businesses businesses = mock(Businesses.class);
        Business business = mock(Business.class);
        when(business.name()).thenReturn("Teal Tours");
        when(business.locale()).thenReturn(Locale.UK);
        when(businesses.current()).thenReturn(business);
        when(links.brandOf(LINK)).thenReturn(Optional.of(BRAND));
        view = new FormView(businesses, mock(Logos.class), brands, links);
    }

    private Object of(Optional<UUID> link, String what) {
        return String.valueOf(view.done(new FormView.Place(link, Optional.empty()), mock(EntryForm.class))
                .getModel()
                .get(what));
    }

    @Test
    void that_of_the_brand_of_the_link_it_stands_before() {
        when(brands.find(BRAND))
                .thenReturn(Optional.of(new BrandListed(BRAND, "Teal Night", List.of(), true, "/t/brands/teal.png")));
        assertThat(of(Optional.of(LINK), "business")).isEqualTo("Teal Night");
        assertThat(of(Optional.of(LINK), "mark")).isEqualTo("/t/brands/teal.png");
        assertThat(of(Optional.empty(), "business")).isEqualTo("Teal Tours");
    }

    @Test
    void the_businesss_own_where_the_brand_was_removed() {
        when(brands.find(BRAND)).thenReturn(Optional.empty());
        assertThat(of(Optional.of(LINK), "business")).isEqualTo("Teal Tours");
        assertThat(of(Optional.of(LINK), "mark")).isEqualTo("");
    }
}
