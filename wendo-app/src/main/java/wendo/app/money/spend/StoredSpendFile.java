package wendo.app.money.spend;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;

/** A file from an ad account as it is kept; its rows are kept beside it. */
@Entity
@Table(name = "spend_file")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredSpendFile extends BusinessEntity {
    private String name;
    private String[] columns = {};
    private int dayColumn;
    private int amountColumn;
    private int nameColumn;

    @Enumerated(EnumType.STRING)
    private DayOrder dayOrder;

    @Enumerated(EnumType.STRING)
    private AmountStyle amounts;

    private Instant createdAt;
    private String createdBy;
    private @Nullable Instant importedAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredSpendFile() {}

    @SuppressWarnings("NullAway.Init")
    StoredSpendFile(String name, List<String> columns, Instant now, String by) {
        super(UUID.randomUUID());
        this.name = name;
        this.columns = columns.toArray(String[]::new);
        this.createdAt = now;
        this.createdBy = by;
    }

    final void read(SpendLayout layout) {
        this.dayColumn = layout.day();
        this.amountColumn = layout.amount();
        this.nameColumn = layout.name();
        this.dayOrder = layout.days();
        this.amounts = layout.amounts();
    }

    void imported(Instant now) {
        this.importedAt = now;
    }

    SpendFile file(List<wendo.app.platform.tables.Table.Row> rows) {
        return new SpendFile(
                id(),
                name,
                new wendo.app.platform.tables.Table(List.of(columns), rows),
                new SpendLayout(dayColumn, amountColumn, nameColumn, dayOrder, amounts),
                Optional.ofNullable(importedAt));
    }
}
