package wendo.app.desk.today;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import wendo.app.platform.business.BusinessRow;

/** A task of Today that was put off until a day. */
@Entity
@Table(name = "put_off")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class SnoozedTask extends BusinessRow {
    @Id
    private String key;

    private LocalDate untilDay;
    private String putOffBy;

    @SuppressWarnings("NullAway.Init")
    protected SnoozedTask() {}

    @SuppressWarnings("NullAway.Init")
    SnoozedTask(String key) {
        this.key = key;
    }

    void putOff(LocalDate until, String by) {
        this.untilDay = until;
        this.putOffBy = by;
    }

    String key() {
        return key;
    }

    LocalDate untilDay() {
        return untilDay;
    }
}
