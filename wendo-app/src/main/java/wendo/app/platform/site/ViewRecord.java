package wendo.app.platform.site;

import java.lang.reflect.RecordComponent;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.util.ReflectionUtils;
import org.springframework.web.servlet.ModelAndView;

/** What a page shows, as a record: its template knows each component by the component's name. */
public final class ViewRecord {
    private ViewRecord() {}

    /** @param view the template's name, as Spring's view resolvers take it */
    public static ModelAndView of(String view, Record shown) {
        return with(new ModelAndView(view), shown);
    }

    /** The page with something more: what is shown in one of its cases, or what was typed in one of its forms. */
    public static ModelAndView with(ModelAndView page, Record more) {
        return page.addAllObjects(values(more));
    }

    /** The components by their names, for a template that is processed outside of Spring's pages. */
    public static Map<String, @Nullable Object> values(Record shown) {
        Map<String, @Nullable Object> values = new LinkedHashMap<>();
        for (RecordComponent component : shown.getClass().getRecordComponents()) {
            ReflectionUtils.makeAccessible(component.getAccessor());
            values.put(component.getName(), ReflectionUtils.invokeMethod(component.getAccessor(), shown));
        }
        return values;
    }
}
