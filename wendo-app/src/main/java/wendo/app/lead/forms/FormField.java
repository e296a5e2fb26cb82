package wendo.app.lead.forms;

import java.util.Locale;
import wendo.app.platform.site.Texts;

/** What a form may ask for. */
enum FormField {
    NAME("lead.forms.form-field.name", "lead.forms.form-field.your-name", "text", "name"),
    EMAIL("lead.forms.form-field.e-mail", "lead.forms.form-field.your-e-mail", "email", "email"),
    PHONE("lead.forms.form-field.phone", "lead.forms.form-field.your-phone-number", "tel", "tel"),
    DAY("lead.forms.form-field.day", "lead.forms.form-field.which-day", "date", "off"),
    PEOPLE("lead.forms.form-field.number-of-people", "lead.forms.form-field.how-many-people", "number", "off"),
    MESSAGE("lead.forms.form-field.message", "lead.forms.form-field.what-would-you-like-to", "text", "off"),
    ANSWER("lead.forms.form-field.how-they-heard-of-you", "lead.forms.form-field.how-did-you-hear-of", "text", "off"),
    CONSENT("lead.forms.form-field.consent", "lead.forms.form-field.consent", "checkbox", "off");

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
        return Texts.of(label);
    }

    /** As visitors are asked. */
    public String question() {
        return Texts.of(question);
    }

    public String type() {
        return type;
    }

    /** What browsers may fill in (HTML's autofill field names). */
    public String completes() {
        return completes;
    }
}
