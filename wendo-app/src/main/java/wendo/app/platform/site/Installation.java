package wendo.app.platform.site;

import java.nio.file.Path;
import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * What an installation is told by its environment; docs/SETTINGS.md lists the variables.
 *
 * @param home the folder for what is not in the database
 * @param bcryptStrength of passwords: each step more doubles the work of guessing, and of signing in
 * @param jobsEvery how often jobs that are due are looked for
 * @param linkPort a port for link hosts alone; empty text for none
 * @param countries a newer database of countries; empty text for the one that ships
 * @param origin where people of the business open the application
 * @param linkOrigin where links of the first link domain answer
 */
@ConfigurationProperties("wendo")
public record Installation(
        Path home,
        int bcryptStrength,
        @DefaultValue("1s") Duration jobsEvery,
        @DefaultValue("") String linkPort,
        @DefaultValue("") String countries,
        String origin,
        String linkOrigin,
        Mail mail,
        Texts texts) {

    /**
     * The SMTP server that mail goes out by.
     *
     * @param host empty text for none
     * @param user with one, the connection has to be encrypted (STARTTLS)
     * @param from whom mail comes from; it bears the business's name
     * @param dkimSelector under what name the key is published that the server signs with; empty text if that is not known
     * @param nameServer whom the domain's records are asked of, with its port; empty text for the machine's own
     * @param returnedKey what passes returned mail on is known by; empty text for nobody
     */
    public record Mail(
            @DefaultValue("") String host,
            int port,
            @DefaultValue("") String user,
            @DefaultValue("") String password,
            String from,
            @DefaultValue("") String dkimSelector,
            @DefaultValue("") String nameServer,
            @DefaultValue("") String returnedKey) {}

    /**
     * Where texts are given to, as JSON.
     *
     * @param address empty text for none
     * @param key between Wendo and the gateway, both ways
     */
    public record Texts(
            @DefaultValue("") String address,
            @DefaultValue("") String key) {}
}
