package wendo.app.platform.sending;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.Installation;

/** Reply codes and their meaning: RFC 5321, sections 4.2.1 and 4.3.2. */
class MailTest {
    private static final Post POST = new Post(
            new UUID(1, 2), MessageType.EMAIL, "Teal Tours", "ines@marsh.example", "Hello", "Text", Optional.empty());

    private static Mail mail(int port) {
        return mail("127.0.0.1", port);
    }

    /** One conversation; the server answers the command that begins so with this line, or hangs up where it is empty. */
    private static void converse(ServerSocket server, String command, String reply) {
        converse(server, command, reply, new ArrayList<>());
    }

    private static void converse(ServerSocket server, String command, String reply, List<String> heard) {
        try (Socket socket = server.accept();
                BufferedReader in =
                        new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))) {
            say(socket, "220 ready");
            boolean isText = false;
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                heard.add(line);
                boolean isEnd = isText && line.equals(".");
                if (isText && !isEnd) {
                    continue;
                }
                isText = false;
                String said = isEnd ? "." : line;
                if (said.startsWith(command)) {
                    if (reply.isEmpty()) {
                        return;
                    }
                    say(socket, reply);
                } else if (said.startsWith("DATA")) {
                    isText = true;
                    say(socket, "354 go on");
                } else {
                    say(socket, said.startsWith("QUIT") ? "221 bye" : "250 fine");
                }
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static void say(Socket socket, String line) throws IOException {
        socket.getOutputStream().write((line + "\r\n").getBytes(StandardCharsets.US_ASCII));
    }

    @ParameterizedTest
    @CsvSource({
        "RCPT,550 nobody of this name,Refused",
        "RCPT,450 mailbox busy,NotYet",
        "MAIL,421 closing,NotYet",
        "DATA,554 no,Refused",
        ".,451 local error,NotYet",
        ".,250 queued,Taken",
        ".,'',Unsure"
    })
    void what_the_server_says_decides_what_happens_next(String command, String reply, String becomes) throws Exception {
        try (ServerSocket server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Thread peer = new Thread(() -> converse(server, command, reply));
            peer.start();
            assertThat(mail(server.getLocalPort()).send(POST, true).getClass().getSimpleName())
                    .isEqualTo(becomes);
        }
    }

    /** What automatic mail has in its header: RFC 3834, section 5; RFC 2369; RFC 8058. */
    @ParameterizedTest
    @CsvSource({
        "true,List-Unsubscribe-Post: List-Unsubscribe=One-Click,Auto-Submitted",
        "false,Auto-Submitted: auto-generated,List-"
    })
    void the_header_says_how_to_get_no_more_of_it_or_that_nobody_need_answer(
            boolean hasWayOut, String has, String hasNot) throws Exception {
        List<String> lines = new CopyOnWriteArrayList<>();
        try (ServerSocket server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Thread peer = new Thread(() -> converse(server, "nothing", "", lines));
            peer.start();
            assertThat(mail(server.getLocalPort()).send(POST, hasWayOut)).isInstanceOf(Sent.Taken.class);
            peer.join(5000);
        }
        assertThat(lines).contains(has).noneMatch(line -> line.startsWith(hasNot));
    }

    private static Mail mail(String host, int port) {
        return new Mail(new Installation(
                Path.of(""),
                4,
                Duration.ofSeconds(1),
                "",
                "",
                "http://localhost",
                "http://go.localhost",
                new Installation.Mail(host, port, "", "", "wendo@teal.example", "", "", ""),
                new Installation.Texts("", "")));
    }

    @Test
    void without_a_server_it_waits() throws Exception {
        int closed;
        try (ServerSocket server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            closed = server.getLocalPort();
        }
        assertThat(mail(closed).send(POST, true))
                .isEqualTo(new Sent.NotYet("The mail server cannot be reached; Wendo will try again."));
        assertThat(mail("", 25).send(POST, true)).isInstanceOf(Sent.NotYet.class);
    }
}
