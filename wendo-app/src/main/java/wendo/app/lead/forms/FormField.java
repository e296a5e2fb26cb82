package wendo.app.lead.forms;

import java.util.Locale;

/** What a form may ask for. */
enum FormField {
    NAME("Name", "Your name", "text", "name"),
    EMAIL("E-mail", "Your e-mail", "email", "email"),
    PHONE("Phone", "Your phone number", "tel", "tel"),
    DAY("Day", "Which day", "date", "off"),
    PEOPLE("Number of people", "How many people", "number", "off"),
    MESSAGE("Message", "What would you like to tell us", "text", "off"),
    ANSWER("How they heard of you", "How did you hear of us", "text", "off"),
    CONSENT("Consent", "Consent", "checkbox", "off");

    private final String label;
    private final String question;
    private final String type;
    private final String completes;

    FormField(String label, String question, String type, String completes) {
        this.label = label;
        this.question = question;
        this.type = type;
        this.completes = completes;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** As the business knows it. */
    public String label() {
        return label;
    }

    /** As visitors are asked. */
    public String question() {
        return question;
    }

    public String type() {
        return type;
    }

    /** What browsers may fill in (HTML's autofill field names). */
    public String completes() {
        return completes;
    }
}
