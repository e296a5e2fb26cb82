package wendo.app.platform.sending;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.xbill.DNS.ARecord;
import org.xbill.DNS.DClass;
import org.xbill.DNS.Flags;
import org.xbill.DNS.Message;
import org.xbill.DNS.Name;
import org.xbill.DNS.Rcode;
import org.xbill.DNS.Record;
import org.xbill.DNS.Section;
import org.xbill.DNS.TXTRecord;
import org.xbill.DNS.Type;

/** A name server on loopback that knows a few texts and addresses; it ends when it is closed. */
final class NameServer implements AutoCloseable {
    private static final int TTL = 60;

    private final DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress());
    private final Map<String, List<String>> texts;
    private final Map<String, String> addresses;

    NameServer(Map<String, List<String>> texts, Map<String, String> addresses) throws SocketException {
        this.texts = texts;
        this.addresses = addresses;
        Thread thread = new Thread(this::answer, "name-server");
        thread.setDaemon(true);
        thread.start();
    }

    String address() {
        return "127.0.0.1:" + socket.getLocalPort();
    }

    private void answer() {
        byte[] room = new byte[1500];
        while (!socket.isClosed()) {
            DatagramPacket packet = new DatagramPacket(room, room.length);
            try {
                socket.receive(packet);
                Message asked = new Message(Arrays.copyOf(packet.getData(), packet.getLength()));
                byte[] answer = answer(asked).toWire();
                socket.send(new DatagramPacket(answer, answer.length, packet.getSocketAddress()));
            } catch (SocketException e) {
                return; // it was closed
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private Message answer(Message asked) throws IOException {
        Record question = asked.getQuestion();
        Name name = question.getName();
        String host = name.toString(true);
        Message answer = new Message(asked.getHeader().getID());
        answer.getHeader().setFlag(Flags.QR);
        answer.getHeader().setFlag(Flags.AA);
        answer.addRecord(question, Section.QUESTION);
        if (question.getType() == Type.TXT) {
            for (String text : texts.getOrDefault(host, List.of())) {
                answer.addRecord(new TXTRecord(name, DClass.IN, TTL, pieces(text)), Section.ANSWER);
            }
        } else if (question.getType() == Type.A && addresses.containsKey(host)) {
            answer.addRecord(
                    new ARecord(name, DClass.IN, TTL, InetAddress.getByName(addresses.get(host))), Section.ANSWER);
        } else if (!texts.containsKey(host) && !addresses.containsKey(host)) {
            answer.getHeader().setRcode(Rcode.NXDOMAIN);
        }
        return answer;
    }

    /** A text is kept in pieces of 255 bytes at most: RFC 1035, section 3.3. */
    private static List<String> pieces(String text) {
        return Arrays.asList(text.split("(?<=\\G.{200})"));
    }

    @Override
    public void close() {
        socket.close();
    }
}
