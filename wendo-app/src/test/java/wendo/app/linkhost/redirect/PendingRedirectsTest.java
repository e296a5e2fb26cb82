package wendo.app.linkhost.redirect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;

import io.netty.channel.EventLoop;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitPipeline;

class PendingRedirectsTest {
    private final EventLoop loop = mock(EventLoop.class);
    private final VisitPipeline road = mock(VisitPipeline.class);
    private final Deque<Runnable> afterTurn = new ArrayDeque<>();
    private final List<List<LoggedVisit>> logged = new ArrayList<>();
    private final Deque<Consumer<Boolean>> answers = new ArrayDeque<>();
    private final List<String> gone = new ArrayList<>();
    private final PendingRedirects departures = new PendingRedirects(loop, road);

    @BeforeEach
    void loop_and_log_stand_still() {
        doAnswer(call -> afterTurn.add(call.getArgument(0))).when(loop).execute(any());
        doAnswer(call -> logged.add(call.getArgument(0)) && answers.add(call.getArgument(1)))
                .when(road)
                .append(any(), any());
    }

    private void turn() {
        int tasks = afterTurn.size();
        for (int i = 0; i < tasks; i++) {
            afterTurn.remove().run();
        }
    }

    @Test
    void who_came_in_one_turn_is_logged_together_and_goes_on_together_in_order() {
        LoggedVisit first = mock(LoggedVisit.class);
        LoggedVisit second = mock(LoggedVisit.class);
        departures.add(first, () -> gone.add("first"));
        departures.add(second, () -> gone.add("second"));
        assertThat(logged).as("others of this turn may follow").isEmpty();
        turn();
        assertThat(logged).containsExactly(List.of(first, second));
        assertThat(gone).as("nothing is on disk yet").isEmpty();
        answers.remove().accept(true);
        assertThat(gone).as("the log's own thread sends nobody on").isEmpty();
        turn();
        assertThat(gone).containsExactly("first", "second");
    }

    @Test
    void who_comes_while_others_are_being_logged_is_logged_after_them_and_goes_on_even_if_the_disk_fails() {
        departures.add(mock(LoggedVisit.class), () -> gone.add("early"));
        turn();
        LoggedVisit late = mock(LoggedVisit.class);
        departures.add(late, () -> gone.add("late"));
        turn();
        assertThat(logged).hasSize(2).last().isEqualTo(List.of(late));
        answers.removeLast().accept(false);
        turn();
        assertThat(gone).containsExactly("late");
        answers.remove().accept(true);
        turn();
        assertThat(gone).containsExactly("late", "early");
    }

    @Test
    void a_fault_with_one_visitor_or_with_the_log_keeps_no_other_from_going_on() {
        departures.add(mock(LoggedVisit.class), () -> {
            throw new IllegalStateException("the connection is gone");
        });
        departures.add(mock(LoggedVisit.class), () -> gone.add("second"));
        turn();
        answers.remove().accept(true);
        turn();
        assertThat(gone).containsExactly("second");
        doThrow(new IllegalStateException("no log")).when(road).append(any(), any());
        departures.add(mock(LoggedVisit.class), () -> gone.add("unlogged"));
        turn();
        assertThat(gone).containsExactly("second", "unlogged");
        departures.add(mock(LoggedVisit.class), () -> gone.add("next"));
        turn();
        assertThat(gone).containsExactly("second", "unlogged", "next");
    }
}
