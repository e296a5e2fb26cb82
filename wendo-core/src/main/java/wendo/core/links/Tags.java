package wendo.core.links;

import java.util.LinkedHashMap;
import java.util.Map;

/** The tags of one link: exactly one source, one medium and one campaign. */
public record Tags(Tag source, Tag medium, Tag campaign) {

    /** Parameter names and values in the order they are written. */
    public Map<String, String> parameters() {
        Map<String, String> parameters = new LinkedHashMap<>();
        parameters.put("utm_source", source.value());
        parameters.put("utm_medium", medium.value());
        parameters.put("utm_campaign", campaign.value());
        return parameters;
    }
}
