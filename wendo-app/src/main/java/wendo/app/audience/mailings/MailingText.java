package wendo.app.audience.mailings;

import java.util.Map;
import wendo.app.platform.sending.MessageType;
import wendo.app.platform.site.Texts;
import wendo.core.media.MergeText;
import wendo.core.media.TextMessage;

/** A mailing's words for one person. A text message ends with how to get no more of them; an e-mail's foot says so. */
record MailingText(MailingForm form, String linkAddress) {
    /** One person's finished message. */
    record Finished(String subject, String body) {}

    Finished of(String name, String code) {
        Map<String, String> values =
                Map.of("name", name, "link", code.isEmpty() ? linkAddress : linkAddress + "/" + code);
        String body = new MergeText(form.body()).fill(values);
        return new Finished(
                new MergeText(form.subject()).fill(values),
                form.road() == MessageType.TEXT ? body + "\n" + Texts.of("audience.mailings.stop-line") : body);
    }

    /** How many segments a text message takes; 0 for an e-mail. */
    static int segments(MailingForm form, Finished finished) {
        return form.road() == MessageType.TEXT
                ? TextMessage.of(finished.body()).parts().size()
                : 0;
    }
}
