-- What rules ask of nearly everybody stands beside the person, so that nobody's visits, outcomes and consent have to be
-- gone through for a count: the last ten arrivals (the newest first), the last by a personal link, the kinds of outcome
-- (1 lead, 2 booking, 4 purchase, 8 subscription), and how they may be reached (1 e-mail, 2 texts, 4 advertising).
alter table audience_person add recent timestamptz[] not null default '{}';
alter table audience_person add tapped_at timestamptz;
alter table audience_person add did smallint not null default 0;
alter table audience_person add reach smallint not null default 0;

update audience_person p set recent = latest.recent, tapped_at = latest.tapped_at
from (
    select person_id, (array_agg(arrived_at order by arrived_at desc))[1:10] as recent,
        max(arrived_at) filter (where is_personal) as tapped_at
    from audience_visit group by person_id) latest
where p.id = latest.person_id;

update audience_person p set did = done.did
from (
    select i.person, bit_or(case o.kind when 'lead' then 1 when 'booking' then 2 when 'purchase' then 4 else 8 end) as did
    from outcome o join trail t on t.outcome_id = o.id join identity i on i.id = t.identity_id
    where not o.is_proof and o.counts group by i.person) done
where p.identity_person = done.person;

update audience_person p set reach = agreed.reach
from (
    select c.person_id, bit_or(case r.purpose when 'email-news' then 1 when 'text-news' then 2 when 'advertising' then 4 else 0 end)
        as reach
    from audience_contact c join consent_record r on r.business_id = c.business_id and r.contact = c.contact
    where r.withdrawn_at is null
        and not exists (select from opted_out o where o.business_id = c.business_id and o.contact = c.contact)
        and not exists (select from unreachable u where u.business_id = c.business_id and u.contact = c.contact)
    group by c.person_id) agreed
where p.id = agreed.person_id;
