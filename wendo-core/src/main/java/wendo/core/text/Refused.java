package wendo.core.text;

/** Something that a person typed cannot be; what it says is meant for them. Its message is the English sentence. */
public class Refused extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final transient Sentence sentence;

    public Refused(String key, Object... values) {
        this(Sentence.of(key, values));
    }

    public Refused(Sentence sentence) {
        super(sentence.english());
        this.sentence = sentence;
    }

    public Sentence sentence() {
        return sentence;
    }
}
