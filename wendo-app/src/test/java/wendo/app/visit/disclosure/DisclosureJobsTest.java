package wendo.app.visit.disclosure;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import wendo.app.platform.business.BusinessId;
import wendo.core.visits.OutgoingPattern;

class DisclosureJobsTest {
    private static final BusinessId TEAL = new BusinessId(new UUID(7, 7));

    private final DisclosurePlans plans = mock(DisclosurePlans.class);
    private final DisclosureCheck check = mock(DisclosureCheck.class);
    private final OwnPages pages = mock(OwnPages.class);

    private void plan(List<OutgoingPattern> earning) {
        when(plans.plan())
                .thenReturn(new DisclosurePlans.Plan(
                        new OwnPages.Start(List.of(), Set.of(), Set.of(), false),
                        new ReadPage.Wanted(earning, List.of(), DisclosurePlace.OFF)));
    }

    @Test
    void a_check_that_fails_is_not_under_way_for_ever() {
        plan(List.of(new OutgoingPattern("cover.example")));
        when(pages.read(any(), any())).thenThrow(new IllegalStateException("no"));
        DisclosureJobs.look(TEAL, plans, check, pages);
        verify(check).giveUp();
        verify(check, never()).keep(any());
    }

    @Test
    void where_nothing_earns_no_page_is_read() {
        plan(List.of());
        DisclosureJobs.look(TEAL, plans, check, pages);
        verify(check).keep(OwnPages.Found.NOTHING);
        verify(pages, never()).read(any(), any());
    }
}
