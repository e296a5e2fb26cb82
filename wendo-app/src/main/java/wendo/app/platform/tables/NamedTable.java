package wendo.app.platform.tables;

import java.util.List;

/**
 * A table to take away.
 *
 * @param name of the file, without ending
 * @param sheet the title of the workbook's one sheet
 */
public record NamedTable(String name, String sheet, List<String> columns, Iterable<? extends List<?>> rows) {}
