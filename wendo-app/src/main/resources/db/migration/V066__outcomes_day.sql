-- Of an outcome whose time is not known: the beginning of its day, whose last moment occurred_at is then.
alter table outcome add column day_began_at timestamptz, add check (day_began_at < occurred_at);

-- What references are compared by: trimmed and case-folded. Where two that are there already differ by case alone, the
-- later keeps a key of its own.
alter table outcome add column reference_key varchar(300);
update outcome o set reference_key = lower(btrim(o.reference)) || case when exists (
        select from outcome e where e.business_id = o.business_id and e.kind = o.kind
            and lower(btrim(e.reference)) = lower(btrim(o.reference)) and (e.recorded_at, e.id) < (o.recorded_at, o.id))
    then '#' || o.id else '' end;
alter table outcome alter column reference_key set not null, add unique (business_id, kind, reference_key);
grant update (day_began_at) on outcome to ${appRole};

-- How an outcome stood before a row of a file changed it, whole.
alter table import_row add column was jsonb;
