-- Words of consent as they stood on a form, behind a newsletter link or beside an uploaded list, in each version.
create table consent_words (
    id uuid primary key,
    business_id uuid not null references business,
    place varchar(8) not null check (place in ('form', 'opt-in', 'list')),
    place_id uuid not null,
    edition integer not null,
    words varchar(600) not null,
    since timestamptz not null,
    unique (business_id, place, place_id, edition),
    unique (business_id, id)
);

-- One consent of one contact (an e-mail address in small letters, or a phone number in E.164) for one purpose.
create table consent_record (
    id uuid primary key,
    version integer not null default 0,
    business_id uuid not null references business,
    words_id uuid not null,
    contact varchar(254) not null,
    purpose varchar(12) not null check (purpose in ('email-news', 'text-news', 'advertising')),
    link_id uuid,
    outcome_id uuid,
    page varchar(500) not null,
    given_at timestamptz not null,
    withdrawn_at timestamptz,
    withdrawn_how varchar(10) check (withdrawn_how in ('stop-page', 'reply', 'office')),
    withdrawn_by varchar(120),
    unique (business_id, id),
    foreign key (business_id, words_id) references consent_words (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id),
    foreign key (business_id, outcome_id) references outcome (business_id, id)
);
create index on consent_record (business_id, contact, purpose) where withdrawn_at is null;
create index on consent_record (business_id, contact);
create index on consent_record (business_id, given_at);

alter table consent_words enable row level security;
alter table consent_record enable row level security;
create policy consent_words_own on consent_words using (business_id = (select current_business()));
create policy consent_record_own on consent_record using (business_id = (select current_business()));
grant select, insert on consent_words to ${appRole};
grant select, insert, update on consent_record to ${appRole};

-- What a form's consent covers. What older forms' words covered is for their business to say: nothing until then.
alter table entry_form add column covers varchar(60) not null default '';

-- Whether a step answers the enquiry or is news, which needs consent. What went out on a later day counts as news.
alter table follow_up_step add column is_news boolean not null default false;
update follow_up_step set is_news = true where days > 0 and kind <> 'task';

-- The consent without which a message is not sent; empty text if it needs none.
alter table outgoing add column needs varchar(12) not null default '';

-- Where the consent of the people on an uploaded list comes from, in the business's own words. Lists whose links were
-- made before this was asked say so.
alter table recipient_list add column consent_source varchar(600) not null default '';
insert into consent_words
select gen_random_uuid(), business_id, 'list', id, 1, 'Uploaded before the source of consent was asked for.', created_at
from recipient_list where made_at is not null;
insert into consent_record (id, business_id, words_id, contact, purpose, link_id, page, given_at)
select distinct on (r.list_id, contact) gen_random_uuid(), r.business_id, w.id, contact,
    case when r.phone <> '' then 'text-news' else 'email-news' end, r.link_id, '', w.since
from recipient r cross join lateral (select case when r.phone <> '' then r.phone else r.email end) as c (contact)
join consent_words w on w.place = 'list' and w.place_id = r.list_id
where r.code is not null and contact <> '';

-- Who subscribed before records were kept had been shown the words that stand at the link.
insert into consent_words
select gen_random_uuid(), o.business_id, 'opt-in', o.link_id, 1, o.promise, now()
from opt_in o where o.promise <> '' and exists (select from subscriber u where u.link_id = o.link_id and u.proof_id is null);
insert into consent_record (id, business_id, words_id, contact, purpose, link_id, page, given_at)
select gen_random_uuid(), u.business_id, w.id, lower(u.email), 'email-news', u.link_id, '', u.subscribed_at
from subscriber u join consent_words w on w.place = 'opt-in' and w.place_id = u.link_id
where u.proof_id is null;
