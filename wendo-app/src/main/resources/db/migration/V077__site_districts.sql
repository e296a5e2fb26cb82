-- Features stand in districts since this version: what waits to be handled finds its class where it lies now. Sessions
-- hold classes as well; people sign in again.
create function pg_temp.moved(name text) returns text language plpgsql as $$
declare
    move text[];
begin
    foreach move slice 1 in array array[
        ['wendo.app.handover.HandingOver', 'wendo.app.lead.handover.HandoverJob'],
        ['wendo.app.outcomes.', 'wendo.app.outcome.outcomes.'],
        ['wendo.app.visits.', 'wendo.app.visit.visits.'],
        ['wendo.app.sources.', 'wendo.app.prepare.sources.'],
        ['wendo.app.evidence.', 'wendo.app.prepare.evidence.'],
        ['wendo.app.sending.', 'wendo.app.platform.sending.'],
        ['wendo.app.consent.', 'wendo.app.platform.consent.']]
    loop
        name := replace(name, move[1], move[2]);
    end loop;
    return name;
end $$;
update event_publication set listener_id = pg_temp.moved(listener_id), event_type = pg_temp.moved(event_type);
delete from spring_session;
