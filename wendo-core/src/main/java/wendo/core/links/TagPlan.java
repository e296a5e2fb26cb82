package wendo.core.links;

import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wendo.core.text.Refused;
import wendo.core.text.Sentence;

/** Which parameters the links of a business carry, in the order they are written, and how values are spelled. */
public record TagPlan(Spelling spelling, List<TagField> fields) {
    public static final int MAX_FIELDS = 20;

    /** Parameters that are Wendo's own; a plan cannot use them. */
    private static final Set<String> OWN = Set.of("wcl");

    /** The parameters of a link, or for each field by its parameter what is wrong with what was typed. */
    public record Filled(Map<String, String> parameters, Map<String, Sentence> faults) {
        public Filled {
            parameters = Collections.unmodifiableMap(new LinkedHashMap<>(parameters));
            faults = Collections.unmodifiableMap(new LinkedHashMap<>(faults));
        }
    }

    public TagPlan {
        if (fields.size() > MAX_FIELDS) {
            throw new Refused("links.too-many-fields", MAX_FIELDS, fields.size());
        }
        Set<String> seen = new HashSet<>();
        for (TagField field : fields) {
            if (OWN.contains(field.parameter().toLowerCase(Locale.ROOT))) {
                throw new Refused("links.own-parameter", field.parameter());
            }
            if (!seen.add(field.parameter())) {
                throw new Refused("links.field-twice", field.parameter());
            }
        }
        if (fields.stream().noneMatch(field -> field.from() == TagField.From.SOURCE)) {
            throw new Refused("links.no-source-field");
        }
        fields = List.copyOf(fields);
    }

    /** The three fields that every analytics program reads. Common practice. */
    public static TagPlan standard() {
        return new TagPlan(
                Spelling.HYPHENS,
                List.of(
                        TagField.of("utm_source", TagField.From.SOURCE),
                        TagField.of("utm_medium", TagField.From.MEDIUM),
                        TagField.of("utm_campaign", TagField.From.CAMPAIGN)));
    }

    /** The fields that somebody fills in for a link. */
    public List<TagField> typedFields() {
        return fields.stream()
                .filter(field -> field.from() == TagField.From.TYPED)
                .toList();
    }

    /** @param typed values by parameter, in any spelling; those of other parameters are left alone */
    public Filled fill(Tags tags, Map<String, String> typed) {
        Map<String, String> parameters = new LinkedHashMap<>();
        Map<String, Sentence> faults = new LinkedHashMap<>();
        for (TagField field : fields) {
            String text = typed.getOrDefault(field.parameter(), "").strip();
            Optional<Tag> value = value(field, tags, text);
            if (value.isPresent()) {
                parameters.put(field.parameter(), spelling.write(value.get()));
            } else if (!text.isEmpty() || field.isRequired()) {
                faults.put(field.parameter(), fault(field, text));
            }
        }
        return new Filled(parameters, faults);
    }

    private static Optional<Tag> value(TagField field, Tags tags, String text) {
        return switch (field.from()) {
            case SOURCE -> Optional.of(tags.source());
            case MEDIUM -> Optional.of(tags.medium());
            case CAMPAIGN -> Optional.of(tags.campaign());
            case FIXED -> Optional.of(Tag.of(field.fixed()));
            case TYPED -> field.read(text);
        };
    }

    private static Sentence fault(TagField field, String text) {
        String wanted = String.join(", ", field.allowed());
        if (text.isEmpty()) {
            return wanted.isEmpty()
                    ? Sentence.of("links.tag-wanted", field.label())
                    : Sentence.of("links.tag-wanted-of", field.label(), wanted);
        }
        return wanted.isEmpty()
                ? Sentence.of("links.tag-empty", field.label())
                : Sentence.of("links.tag-other", field.label(), text, wanted);
    }
}
