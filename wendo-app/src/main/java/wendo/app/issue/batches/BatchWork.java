package wendo.app.issue.batches;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.Draft;
import wendo.app.issue.links.Links;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;

/** Checks the rows of a batch, and makes links of the good ones. */
@Service
class BatchWork {
    private static final int STEP = 1000;

    private final BatchStore store;
    private final Links links;
    private final BatchLooks looks;

    BatchWork(BatchStore store, Links links, BatchLooks looks) {
        this.store = store;
        this.links = links;
        this.looks = looks;
    }

    /** The rows with what was found of each; {@code drafts} belong to {@code fresh}, row by row. */
    private record Judged(List<Table.Row> fresh, List<Draft> drafts, List<BatchStore.Verdict> verdicts) {
        List<BatchStore.Verdict> wrong() {
            return verdicts.stream()
                    .filter(verdict -> verdict.word().equals("wrong"))
                    .toList();
        }
    }

    /** Says of every row what it would be, and looks at the pages. */
    void check(UUID id, String by) {
        Batch batch = store.find(id).orElseThrow();
        Judged judged = judge(batch, Map.of());
        keep(id, judged.verdicts());
        store.looked(id, looks.look(judged.drafts()));
        store.move(id, List.of(Batch.State.CHECKING), Batch.State.CHECKED, "");
    }

    private void keep(UUID id, List<BatchStore.Verdict> verdicts) {
        for (int from = 0; from < verdicts.size(); from += STEP) {
            int to = Math.min(verdicts.size(), from + STEP);
            store.judge(id, verdicts.subList(from, to));
            store.progress(id, to);
        }
    }

    /** @param endings those that an earlier check gave, by line */
    private Judged judge(Batch batch, Map<Integer, String> endings) {
        List<Table.Row> rows = store.rows(batch.id());
        RowWishes reading = new RowWishes(batch.matching());
        Map<Integer, String> pasted = new HashMap<>();
        rows.forEach(row -> reading.link(row).ifPresent(link -> pasted.put(row.line(), link)));
        Map<String, String> known = links.findPasted(pasted.values());
        List<Table.Row> fresh = new ArrayList<>();
        List<BatchStore.Verdict> verdicts = new ArrayList<>();
        for (Table.Row row : rows) {
            Optional<String> link = Optional.ofNullable(pasted.get(row.line()));
            if (link.isEmpty()) {
                fresh.add(row);
            } else {
                verdicts.add(RowVerdicts.ofLink(row.line(), link.get(), Optional.ofNullable(known.get(link.get()))));
            }
        }
        List<Draft> drafts = links.lay(
                fresh.stream()
                        .map(row -> endings.containsKey(row.line())
                                ? reading.wish(row, endings.get(row.line()))
                                : reading.wish(row))
                        .toList(),
                reading.choice());
        for (int i = 0; i < drafts.size(); i++) {
            verdicts.add(RowVerdicts.of(fresh.get(i).line(), drafts.get(i)));
        }
        return new Judged(fresh, drafts, verdicts);
    }

    /**
     * Issues the good rows, all of them or none. If a row that was good at the check no longer is, nothing is issued and
     * the new report says why.
     */
    @Transactional
    void issue(UUID id, String by) {
        Batch batch = store.find(id).orElseThrow();
        if (batch.state() != Batch.State.ISSUING) {
            return; // done already: a job is begun again after a crash
        }
        long wrongBefore = store.count(id, "wrong");
        Judged judged = judge(batch, store.endings(id));
        if (judged.wrong().size() != wrongBefore) {
            store.judge(id, judged.verdicts());
            store.move(
                    id,
                    List.of(Batch.State.ISSUING),
                    Batch.State.CHECKED,
                    Texts.of("issue.batches.something-changed-since-the-check"));
            return;
        }
        List<Integer> lines = new ArrayList<>();
        List<Draft> good = new ArrayList<>();
        for (int i = 0; i < judged.drafts().size(); i++) {
            if (judged.drafts().get(i).isReady()) {
                good.add(judged.drafts().get(i));
                lines.add(judged.fresh().get(i).line());
            }
        }
        List<Links.IssuedLink> issued =
                links.issueDrafts(good, new RowWishes(batch.matching()).choice(), by, done -> store.progress(id, done));
        List<BatchStore.Became> became = new ArrayList<>();
        for (int i = 0; i < issued.size(); i++) {
            became.add(new BatchStore.Became(
                    lines.get(i), issued.get(i).id(), issued.get(i).url()));
        }
        store.became(id, became);
        store.move(id, List.of(Batch.State.ISSUING), Batch.State.ISSUED, "");
    }
}
