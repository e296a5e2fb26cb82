package wendo.app.money.spend;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import wendo.app.platform.business.BusinessRow;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;

/** How files with this heading are read. */
@Entity
@Table(name = "spend_layout")
class StoredLayout extends BusinessRow {
    @Id
    private String heading;

    private int dayColumn;
    private int amountColumn;
    private int nameColumn;

    @Enumerated(EnumType.STRING)
    private DayOrder dayOrder;

    @Enumerated(EnumType.STRING)
    private AmountStyle amounts;

    @SuppressWarnings("NullAway.Init")
    protected StoredLayout() {}

    @SuppressWarnings("NullAway.Init")
    StoredLayout(String heading) {
        this.heading = heading;
    }

    void become(SpendLayout layout) {
        this.dayColumn = layout.day();
        this.amountColumn = layout.amount();
        this.nameColumn = layout.name();
        this.dayOrder = layout.days();
        this.amounts = layout.amounts();
    }

    SpendLayout layout() {
        return new SpendLayout(dayColumn, amountColumn, nameColumn, dayOrder, amounts);
    }
}
