package wendo.app.issue.links;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.brands.Brands;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Labels;
import wendo.core.links.SlugPattern;
import wendo.core.links.TagField;

/** Where links are laid out before they are issued: gathers what a sheet is checked against. */
@Component
public class IssueContext {
    private final Businesses businesses;
    private final LinkHosts hosts;
    private final TagPlans plans;
    private final Sources sources;
    private final Accounts accounts;
    private final Brands brands;
    private final Slugs slugs;
    private final JdbcClient jdbc;

    /** Which host, tag plan and pattern a sheet asks for: identifiers and text as typed, empty text for the usual. */
    public record Choice(String host, String plan, String pattern) {
        public static Choice usual() {
            return new Choice("", "", "");
        }
    }

    IssueContext(
            Businesses businesses,
            LinkHosts hosts,
            TagPlans plans,
            Sources sources,
            Accounts accounts,
            Brands brands,
            Slugs slugs,
            JdbcClient jdbc) {
        this.businesses = businesses;
        this.hosts = hosts;
        this.plans = plans;
        this.sources = sources;
        this.accounts = accounts;
        this.brands = brands;
        this.slugs = slugs;
        this.jdbc = jdbc;
    }

    /** A pattern that cannot be used is left out; {@link #patternFault} says what is wrong with it. */
    @Transactional(readOnly = true)
    IssueSetting setting(Choice choice) {
        List<LinkHosts.LinkHost> open = hosts.inUse();
        NamedPlan plan = plans.list().stream()
                .filter(one -> one.id().toString().equals(choice.plan()))
                .findFirst()
                .orElseGet(plans::byDefault);
        return new IssueSetting(
                businesses.current(),
                open.stream()
                        .filter(host -> host.id().toString().equals(choice.host()))
                        .findFirst()
                        .orElse(open.get(0)),
                hosts.names(),
                plan,
                patternFault(choice.pattern(), plan).isEmpty()
                                && !choice.pattern().isEmpty()
                        ? Optional.of(SlugPattern.of(choice.pattern(), known(plan)))
                        : Optional.empty(),
                sources.byIdentifierAndTag(),
                accounts.colleagues(),
                new Labels(labelsInUse()),
                brands.list());
    }

    private static Set<String> known(NamedPlan plan) {
        Set<String> known = new HashSet<>(IssueSetting.PATTERN_PARTS);
        plan.plan().typedFields().stream().map(TagField::parameter).forEach(known::add);
        return known;
    }

    String patternFault(String pattern, NamedPlan plan) {
        if (pattern.isEmpty()) {
            return "";
        }
        try {
            SlugPattern.of(pattern, known(plan));
            return "";
        } catch (IllegalArgumentException e) {
            return Texts.said(e);
        }
    }

    @Transactional(readOnly = true)
    List<String> labelsInUse() {
        return jdbc.sql("select distinct unnest(labels) as label from link where labels <> '{}' order by label")
                .query(String.class)
                .list();
    }

    @Transactional(readOnly = true)
    List<Draft> layOut(List<LinkWish> wishes, Choice choice) {
        return layOut(wishes, setting(choice));
    }

    @Transactional(readOnly = true)
    List<Draft> layOut(List<LinkWish> wishes, IssueSetting setting) {
        return new ArrayList<>(new DraftFactory(setting, slugs).lay(wishes));
    }

    static Optional<UUID> findUuid(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
