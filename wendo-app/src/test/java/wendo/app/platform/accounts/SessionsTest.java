package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import wendo.app.WendoTest;

class SessionsTest extends WendoTest {
    @Autowired
    private SessionRepository<? extends Session> sessions;

    @Test
    void two_requests_at_once_may_put_the_same_thing_into_a_session() {
        assertThat(kept(sessions)).isEqualTo("the second");
    }

    private static <S extends Session> String kept(SessionRepository<S> sessions) {
        S made = sessions.createSession();
        sessions.save(made);
        S first = Objects.requireNonNull(sessions.findById(made.getId()));
        S second = Objects.requireNonNull(sessions.findById(made.getId()));
        first.setAttribute("note", "the first");
        second.setAttribute("note", "the second");
        sessions.save(first);
        sessions.save(second);
        S last = Objects.requireNonNull(sessions.findById(made.getId()));
        sessions.deleteById(made.getId());
        return last.getRequiredAttribute("note");
    }
}
