package wendo.app.platform.site;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validation;
import jakarta.validation.Validator;
import jakarta.validation.constraints.Size;
import jakarta.validation.metadata.ConstraintDescriptor;
import java.lang.annotation.Annotation;
import java.lang.reflect.RecordComponent;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hibernate.validator.messageinterpolation.ParameterMessageInterpolator;

/**
 * What the annotations of a form's record say of it (Jakarta Validation 3.1). A limit stands there once: for what may be
 * kept, and for how much the page's field takes.
 */
public final class FormRules {
    private static final Validator VALIDATOR = Validation.byDefaultProvider()
            .configure()
            .messageInterpolator(new ParameterMessageInterpolator()) // messages are keys of texts
            .buildValidatorFactory()
            .getValidator();

    private FormRules() {}

    /** What is wrong, by field, in the order of the fields; may be added to. */
    public static Map<String, String> faults(Record form) {
        Map<String, ConstraintViolation<Record>> found = VALIDATOR.validate(form).stream()
                .collect(Collectors.toMap(
                        one -> one.getPropertyPath().toString(), Function.identity(), (first, second) -> first));
        Map<String, String> faults = new LinkedHashMap<>();
        for (RecordComponent component : form.getClass().getRecordComponents()) {
            ConstraintViolation<Record> violation = found.get(component.getName());
            if (violation != null) {
                faults.put(component.getName(), words(violation));
            }
        }
        return faults;
    }

    private static String words(ConstraintViolation<Record> violation) {
        Annotation rule = violation.getConstraintDescriptor().getAnnotation();
        return rule instanceof Size size && violation.getInvalidValue() instanceof CharSequence text
                ? InvalidForm.tooLong(text.length(), size.max())
                : Texts.of(violation.getMessage());
    }

    /** The most characters that may be kept of a field. */
    static int most(Class<?> form, String field) {
        return Optional.ofNullable(VALIDATOR.getConstraintsForClass(form).getConstraintsForProperty(field)).stream()
                .flatMap(property -> property.getConstraintDescriptors().stream())
                .map(ConstraintDescriptor::getAnnotation)
                .filter(Size.class::isInstance)
                .mapToInt(rule -> ((Size) rule).max())
                .min()
                .orElseThrow(() -> new IllegalArgumentException(
                        "%s says no most length of %s".formatted(form.getSimpleName(), field)));
    }
}
