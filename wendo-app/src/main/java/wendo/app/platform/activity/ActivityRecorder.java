package wendo.app.platform.activity;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import wendo.app.platform.accounts.Actor;
import wendo.app.platform.accounts.PersonSignedIn;
import wendo.app.platform.business.BusinessScope;

/** Puts on record what leaves no entity behind: that somebody signed in, and that they took a file along. */
@Component
class ActivityRecorder implements HandlerInterceptor {
    private static final Pattern FILE = Pattern.compile("/[^?]*\\.(?:csv|xlsx|pdf|zip|json)");

    private final ActivityRepository repository;
    private final BusinessScope scope;
    private final Clock clock;

    ActivityRecorder(ActivityRepository repository, BusinessScope scope, Clock clock) {
        this.repository = repository;
        this.scope = scope;
        this.clock = clock;
    }

    @EventListener
    void on(PersonSignedIn event) {
        Actor actor = new Actor(Optional.of(event.person()), event.name());
        Activity.Deed deed = new Activity.Deed(
                "signed_in",
                TrackedKind.ACCOUNT,
                Optional.of(event.person()),
                event.way().key(),
                "");
        event.businesses()
                .forEach(business -> scope.within(business, () -> {
                    repository.save(new Activity(actor, deed, clock.instant()));
                    return true;
                }));
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception fault) {
        boolean isTaken = response.getStatus() == HttpServletResponse.SC_OK
                && fault == null
                && FILE.matcher(request.getRequestURI()).matches();
        if (isTaken && BusinessScope.find().isPresent()) {
            Actor.current()
                    .ifPresent(actor -> repository.save(new Activity(
                            actor,
                            new Activity.Deed(
                                    "exported", TrackedKind.FILE, Optional.empty(), request.getRequestURI(), ""),
                            clock.instant())));
        }
    }

    @Configuration(proxyBeanMethods = false)
    static class Wiring implements WebMvcConfigurer {
        private final ActivityRecorder recorder;

        Wiring(@Lazy ActivityRecorder recorder) {
            this.recorder = recorder;
        }

        @Override
        public void addInterceptors(InterceptorRegistry registry) {
            registry.addInterceptor(recorder);
        }
    }
}
