package wendo.app.lead.forms;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.BindParam;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.outcome.networks.NetworkDirectory;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.TypedFields;
import wendo.app.visit.visits.VisitAliases;
import wendo.core.visits.ClickId;

/**
 * An entry form before what a link leads to, on the link host, without script. Whatever fails, a visitor gets to where
 * the link leads.
 */
@Controller
@RequestMapping(LinkDirectory.FORM_PATH)
class FormBefore {
    private static final Logger LOG = LoggerFactory.getLogger(FormBefore.class);

    private final Forms forms;
    private final FormIntake intake;
    private final FormView view;
    private final LinkDirectory directory;
    private final NetworkDirectory networks;
    private final VisitAliases aliases;
    private final BusinessScope scope;

    FormBefore(
            Forms forms,
            FormIntake intake,
            FormView view,
            LinkDirectory directory,
            NetworkDirectory networks,
            VisitAliases aliases,
            BusinessScope scope) {
        this.forms = forms;
        this.intake = intake;
        this.view = view;
        this.directory = directory;
        this.networks = networks;
        this.aliases = aliases;
        this.scope = scope;
    }

    /** What the link put into the address: its path, the way it chose and the visit that it counted. */
    record Asked(String at, String to, String click) {
        Asked(@Nullable String at, @Nullable String to, @BindParam(ClickId.PARAMETER) @Nullable String click) {
            this.at = at == null ? "" : at;
            this.to = to == null ? "" : to;
            this.click = click == null ? "" : click;
        }
    }

    /** The link somebody came by, and where it leads them. */
    private record Came(
            LinkDirectory.Host host,
            LinkDirectory.Target target,
            NetworkDirectory.Redirect led,
            Optional<ClickId> click) {
        String leadsTo() {
            return led.address();
        }
    }

    @GetMapping
    ModelAndView show(@ModelAttribute Asked asked, HttpServletRequest request, HttpServletResponse response) {
        FormView.leaveNoTraces(response);
        Optional<Came> found = came(request, asked);
        if (found.isEmpty()) {
            return FormView.over();
        }
        Came came = found.get();
        try {
            return scope.within(came.target().business(), () -> ask(came, new FormLooks(request, response)));
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("A form could not be shown; its visitor went on: {}", e.getMessage());
            return onward(came);
        }
    }

    private ModelAndView ask(Came came, FormLooks looks) {
        keepAlias(came);
        Forms.Shown shown = forms.of(came.target().link());
        if (looks.goesOn(shown, came.host().keepsCookie())) {
            return onward(came);
        }
        Filled empty = filled(shown, TypedFields.none());
        return view.form(place(shown, came), empty, Map.of(), intake.once());
    }

    @PostMapping
    ModelAndView send(
            @ModelAttribute Asked asked, TypedFields typed, HttpServletRequest request, HttpServletResponse response) {
        FormView.leaveNoTraces(response);
        Optional<Came> found = came(request, asked);
        if (found.isEmpty()) {
            return FormView.over();
        }
        Came came = found.get();
        return FormView.orLater(
                () -> scope.within(came.target().business(), () -> take(came, typed, new FormLooks(request, response))),
                came.leadsTo());
    }

    private ModelAndView take(Came came, TypedFields typed, FormLooks looks) {
        keepAlias(came);
        Forms.Shown shown = forms.of(came.target().link());
        if (shown.form().isEmpty()) {
            return onward(came);
        }
        Filled filled = filled(shown, typed);
        String click = came.click().map(ClickId::toString).orElse("");
        Map<String, String> faults = intake.take(
                new FormIntake.Place(
                        shown.form().get(),
                        Optional.of(came.target().link()),
                        click,
                        looks.request().getRequestURL().toString()),
                filled,
                looks.request());
        if (!faults.isEmpty()) {
            return view.form(place(shown, came), filled, faults, intake.once(typed));
        }
        if (came.host().keepsCookie()) {
            looks.done();
        }
        return view.done(place(shown, came), filled.form());
    }

    private Filled filled(Forms.Shown shown, TypedFields typed) {
        return new Filled(forms.find(shown.form().orElseThrow()).orElseThrow().form(), shown.strictness(), typed);
    }

    private static FormView.Place place(Forms.Shown shown, Came came) {
        return new FormView.Place(Optional.of(came.target().link()), skipTo(shown, came));
    }

    /** A form that is the page itself leads nowhere else. */
    private static Optional<String> skipTo(Forms.Shown shown, Came came) {
        return shown.shows().equals("own") ? Optional.empty() : Optional.of(came.leadsTo());
    }

    /** A network gets an alias instead of the click identifier; it is kept so that a postback finds its visit. */
    private void keepAlias(Came came) {
        came.click().ifPresent(click -> aliases.keep(came.led().alias(), click));
    }

    /** Where a link leads comes from memory, never from the request. */
    private Optional<Came> came(HttpServletRequest request, Asked asked) {
        Optional<ClickId> click = ClickId.find(asked.click());
        return directory
                .findHost(request.getServerName())
                .flatMap(host -> directory.find(host, asked.at()).map(found -> {
                    LinkDirectory.Target target = found.target();
                    String address = target.addressFor(uuid(asked.to()).orElse(LinkDirectory.NOWHERE));
                    return new Came(
                            host,
                            target,
                            click.map(id -> networks.lead(target.business(), address, id))
                                    .orElseGet(() -> new NetworkDirectory.Redirect(address, "")),
                            click);
                }));
    }

    private static Optional<UUID> uuid(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static ModelAndView onward(Came came) {
        return new ModelAndView(new RedirectView(came.leadsTo(), false, true, false));
    }
}
