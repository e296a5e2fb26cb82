package wendo.app.money.exchange;

import java.util.UUID;

/** The business has told a partner something. */
record ExchangeNews(UUID partner, What what) {
    enum What {
        CLAIM_DECIDED("money.exchange.mail.decided.subject", "money.exchange.mail.decided.body"),
        ANSWERED("money.exchange.mail.answered.subject", "money.exchange.mail.answered.body");

        private final String subject;
        private final String body;

        What(String subject, String body) {
            this.subject = subject;
            this.body = body;
        }

        String subject() {
            return subject;
        }

        String body() {
            return body;
        }
    }
}
