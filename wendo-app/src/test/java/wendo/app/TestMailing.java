package wendo.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** A mailing as an owner makes it: people on a list of a link, an audience of them, and what is written to it. */
public record TestMailing(Http owner, String link) {
    /** Person 0, 1 and so on at these addresses, who agreed at the counter. */
    public void list(List<String> emails) {
        String people = IntStream.range(0, emails.size())
                .mapToObj(i -> "Person %d,%s".formatted(i, emails.get(i)))
                .collect(Collectors.joining("\n", "name,email\n", ""));
        HttpResponse<String> listed =
                owner.form("/links/" + link + "/message", "/links/" + link + "/recipients", "pasted", people);
        String list = listed.headers().firstValue("Location").orElseThrow().replaceFirst("^.*(/recipients/)", "$1");
        owner.form(
                list,
                list,
                "name",
                "0",
                "phone",
                "-1",
                "email",
                "1",
                "heldOut",
                "0",
                "text",
                "{link}",
                "consentSource",
                "Asked at the counter",
                "make",
                "make");
    }

    /** Everybody on a list. */
    public String audience() {
        return last(owner.form(
                "/audiences/new",
                "/audiences/new",
                "name",
                "Last year",
                "follows",
                "live",
                "match.r",
                "all",
                "kind.r-0",
                "sent"));
    }

    /** Answers the identifier of the draft. */
    public String draft(String audience, Map<String, String> said) {
        String path = "/audiences/" + audience + "/mailings/new";
        List<String> all = new ArrayList<>();
        said.forEach((field, value) -> all.addAll(List.of(field, value)));
        return last(owner.form(path, path, all.toArray(String[]::new)));
    }

    private static String last(HttpResponse<String> redirect) {
        assertThat(redirect.statusCode()).as(redirect.body()).isEqualTo(302);
        return redirect.headers().firstValue("Location").orElseThrow().replaceFirst("^.*/", "");
    }
}
