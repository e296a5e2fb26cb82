package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.server.PathContainer;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.pattern.PathPatternParser;
import wendo.app.Http;
import wendo.app.WendoTest;

/** What each role may do: RULES, "Roles". */
class RolesTest extends WendoTest {
    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private final Map<Role, Http> people = new EnumMap<>(Role.class);

    @BeforeEach
    void invite() {
        tenant = tenant("Whimbrel Walks");
        for (Role role : Role.values()) {
            people.put(role, http().signIn(role == Role.OWNER ? tenant.email() : join(role.key(), role)));
        }
    }

    private String join(String name, Role role) {
        String email = name + "@" + tenant.id().value().toString().substring(0, 8) + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "A " + name, PASSWORD), role);
            return true;
        });
        return email;
    }

    private Http as(Role role) {
        return Optional.ofNullable(people.get(role)).orElseThrow();
    }

    /** A page of the signed-in interface, with how it is asked for. */
    private record Door(HandlerMethod handler, RequestMethod method, String path) {
        boolean isChange() {
            return method != RequestMethod.GET;
        }

        @Override
        public String toString() {
            return method + " " + path;
        }
    }

    private List<Door> doors() {
        List<Door> doors = new ArrayList<>();
        mappings.getHandlerMethods().forEach((mapping, handler) -> {
            for (String path : mapping.getPatternValues()) {
                boolean isEnd = path.equals("/account/leave"); // whoever knocks there is gone; ClosingTest tries it
                if (!path.matches("/(t|api|actuator|error|sign-in)(/.*)?") && !path.isEmpty() && !isEnd) {
                    methods(mapping).forEach(method -> doors.add(new Door(handler, method, path)));
                }
            }
        });
        return doors;
    }

    private static List<RequestMethod> methods(RequestMappingInfo mapping) {
        List<RequestMethod> methods = List.copyOf(mapping.getMethodsCondition().getMethods());
        return methods.isEmpty() ? List.of(RequestMethod.GET, RequestMethod.POST) : methods;
    }

    private static int knock(Http person, String token, Door door) {
        String path = door.path()
                .replaceAll("\\{(kind|format)[^}]*\\}", "csv")
                .replaceAll("\\{reach\\}", "link")
                .replaceAll("\\{(what|place)[^}]*\\}", "leads")
                .replaceAll("\\{[^}]+\\}", UUID.randomUUID().toString());
        HttpRequest.Builder request = person.request(path);
        return person.send(
                        door.isChange()
                                ? request.header("Content-Type", "application/x-www-form-urlencoded")
                                        .POST(HttpRequest.BodyPublishers.ofString("_csrf=" + token))
                                : request)
                .statusCode();
    }

    @Test
    void whatever_changes_something_says_who_may() {
        List<Door> undeclared = doors().stream()
                .filter(Door::isChange)
                .filter(door -> PermissionInterceptor.find(door.handler()).isEmpty())
                .toList();
        assertThat(undeclared).isEmpty();
        assertThat(doors().stream().filter(Door::isChange)).hasSizeGreaterThan(100);
    }

    /**
     * Nothing they name exists, so whoever is let in is told that, or what is missing; a link that is nobody's is not
     * one's own.
     */
    @Test
    void every_door_opens_for_those_whose_role_may_and_for_nobody_else() {
        Queue<String> wrong = new ConcurrentLinkedQueue<>();
        for (Role role : Role.values()) {
            Matcher token = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"")
                    .matcher(as(role).get("/today").body());
            assertThat(token.find()).isTrue();
            String known = token.group(1);
            // A page that all may see is opened by the one who may do least.
            doors().parallelStream()
                    .filter(door -> role == Role.VIEWER
                            || PermissionInterceptor.find(door.handler()).isPresent())
                    .forEach(door -> {
                        Optional<Needs> needs = PermissionInterceptor.find(door.handler());
                        boolean isOthers = role == Role.STAFF
                                && door.isChange()
                                && needs.filter(Needs::ofLink).isPresent();
                        boolean mayEnter =
                                needs.map(one -> one.value().isOf(role)).orElse(true) && !isOthers;
                        int status = knock(as(role), known, door);
                        if (mayEnter == (status == 403) || status >= 500) {
                            wrong.add(role + " " + door + " was answered " + status);
                        }
                    });
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void staff_change_their_own_links_and_no_others() {
        UUID own = issued("Own");
        UUID other = issued("Other");
        in(tenant, () -> jdbc.sql("""
                        update link set owner_id = (select m.person_id from membership m where m.business_id = ? and role = 'staff')
                        where id = ?""").params(tenant.id().value(), own).update());
        for (Map.Entry<UUID, Integer> link : Map.of(own, 302, other, 403).entrySet()) {
            String page = "/links/" + link.getKey();
            assertThat(as(Role.STAFF)
                            .form("/today", page + "/archive", "away", "true")
                            .statusCode())
                    .isEqualTo(link.getValue());
            assertThat(as(Role.STAFF).get(page).statusCode())
                    .as("seeing its figures is another thing")
                    .isEqualTo(200);
        }
        assertThat(count(tenant, "select count(*) from link where archived_at is not null"))
                .isOne();
    }

    private UUID issued(String source) {
        String slug = http().issue(tenant.apiKey(), "https://whimbrel.example/", "Spring", source)
                .get(0);
        return in(
                tenant,
                () -> jdbc.sql("select id from link where slug = ?")
                        .param(slug)
                        .query(UUID.class)
                        .single());
    }

    private String lead(String reference, String email, String name) {
        return Http.json(http().post(
                                tenant.apiKey(),
                                "/api/v1/outcomes",
                                "{\"kind\": \"lead\", \"reference\": \"%s\", \"name\": \"%s\", \"email\": \"%s\"}"
                                        .formatted(reference, name, email)))
                .get("id")
                .asString();
    }

    @Test
    void staff_work_on_their_own_leads_and_take_nobodys_and_viewers_see_no_contacts() {
        String nobodys = lead("L-1", "ines@marsh.example", "Ines Marsh");
        String managers = lead("L-2", "bo@reed.example", "Bo Reed");
        await("both are leads", () -> count(tenant, "select count(*) from lead where handed_at is not null") == 2);
        in(
                tenant,
                () -> jdbc.sql("""
                        update lead set owner_id = (select person_id from membership where role = 'manager' and business_id = ?)
                        where outcome_id = ?""")
                        .params(tenant.id().value(), UUID.fromString(managers))
                        .update());
        Http staff = as(Role.STAFF);
        assertThat(staff.get("/leads?whose=all").body()).contains("Ines Marsh").doesNotContain("Bo Reed");
        assertThat(staff.get("/leads/" + managers).statusCode()).isEqualTo(404);
        assertThat(staff.form("/leads/" + nobodys, "/leads/" + managers + "/stage", "stage", "won")
                        .statusCode())
                .isEqualTo(404);
        String manager = in(
                tenant,
                () -> jdbc.sql("select person_id::text from membership where role = 'manager' and business_id = ?")
                        .param(tenant.id().value())
                        .query(String.class)
                        .single());
        String self = in(
                tenant,
                () -> jdbc.sql("select person_id::text from membership where role = 'staff' and business_id = ?")
                        .param(tenant.id().value())
                        .query(String.class)
                        .single());
        assertThat(staff.form("/leads/" + nobodys, "/leads/" + nobodys + "/owner", "owner", manager)
                        .statusCode())
                .isEqualTo(403);
        assertThat(staff.get("/outcomes/" + nobodys).body()).doesNotContain("ines@marsh.example");
        assertThat(staff.form("/leads/" + nobodys, "/leads/" + nobodys + "/owner", "owner", self)
                        .statusCode())
                .isEqualTo(302);
        assertThat(staff.get("/outcomes/" + nobodys).body()).as("their own now").contains("ines@marsh.example");
        Http viewer = as(Role.VIEWER);
        assertThat(viewer.get("/leads").statusCode()).isEqualTo(403);
        for (String page :
                List.of("/outcomes", "/outcomes/" + nobodys, "/outcomes/" + nobodys + "/trail", "/find?find=ines")) {
            assertThat(viewer.get(page).body())
                    .as(page)
                    .doesNotContain("ines@marsh.example\"", ">ines@marsh.example", "Ines Marsh");
        }
        assertThat(viewer.get("/outcomes/" + nobodys).body()).doesNotContain("Save source");
        assertThat(viewer.get("/today").body()).doesNotContain("href=\"/issue\"", "href=\"/setup\"");
    }

    /** Follows each link on the main pages, for the two roles that may do least. */
    @Test
    void no_page_leads_to_a_door_that_is_shut_for_its_reader() {
        UUID link = issued("Own");
        String lead = lead("L-1", "ines@marsh.example", "Ines Marsh");
        await("it is a lead", () -> count(tenant, "select count(*) from lead where handed_at is not null") == 1);
        List<String> refused = new ArrayList<>();
        for (Role role : List.of(Role.STAFF, Role.VIEWER)) {
            Set<String> followed = new HashSet<>();
            for (String page : List.of(
                    "/today",
                    "/links",
                    "/links/" + link,
                    "/links/" + link + "/leads",
                    "/links/" + link + "/form",
                    "/links/" + link + "/place",
                    "/links/" + link + "/place/ad",
                    "/links/" + link + "/routes",
                    "/links/" + link + "/message",
                    "/links/" + link + "/newsletter",
                    "/links/" + link + "/proof",
                    "/links/" + link + "/code",
                    "/outcomes",
                    "/outcomes?joined=no",
                    "/outcomes/" + lead,
                    "/outcomes/" + lead + "/trail",
                    "/outcomes/files",
                    "/leads",
                    "/compare",
                    "/arrivals",
                    "/issue")) {
                String body = as(role).get(page).body();
                Matcher offered = Pattern.compile("<a [^>]*href=\"(/[^\"]*)\"").matcher(body);
                offered.results()
                        .map(found -> found.group(1).replace("&amp;", "&"))
                        .filter(path -> followed.add(path.replaceFirst("[?#].*$", ""))) // the query opens no other door
                        .filter(path -> as(role).get(path).statusCode() == 403)
                        .forEach(path -> refused.add(role + " on " + page + ": " + path));
                forms(body).stream()
                        .filter(action -> !isOpen(role, action))
                        .forEach(action -> refused.add(role + " on " + page + ": form to " + action));
            }
        }
        assertThat(refused).isEmpty();
    }

    private static List<String> forms(String page) {
        return Pattern.compile("<form\\b[^>]*method=\"post\"[^>]*>|<button\\b[^>]*formaction=[^>]*>")
                .matcher(page)
                .results()
                .map(form -> form.group().replaceFirst("(?s).*action=\"([^\"?]*)[\"?].*", "$1"))
                .distinct()
                .toList();
    }

    /** Whether who has this role, and no link of their own, may press the button. */
    private boolean isOpen(Role role, String action) {
        PathContainer path = PathContainer.parsePath(action);
        return doors().stream()
                .filter(door -> door.method() == RequestMethod.POST
                        && new PathPatternParser().parse(door.path()).matches(path))
                .map(door -> PermissionInterceptor.find(door.handler()).orElseThrow())
                .allMatch(needs -> needs.value().isOf(role) && !(needs.ofLink() && role == Role.STAFF));
    }
}
