-- What people subscribe to: a list, with the words that they agree to and whether they confirm by mail.
create table newsletter_list (
    id uuid primary key,
    version integer not null,
    business_id uuid not null references business,
    name varchar(80) not null,
    promise varchar(300) not null,
    confirms boolean not null,
    confirm_days integer not null check (confirm_days between 1 and 30),
    labels text[] not null,
    has_form boolean not null,
    onward_address varchar(2600) not null,
    welcomes boolean not null,
    welcome_subject varchar(150) not null,
    welcome_body varchar(2000) not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    archived_at timestamptz,
    unique (business_id, id)
);
create unique index on newsletter_list (business_id, lower(name)) where archived_at is null;

alter table subscriber alter column link_id drop not null;
alter table subscriber add column labels text[] not null default '{}';
alter table subscriber add unique (business_id, id);
grant update (labels, version) on subscriber to ${appRole};

create table list_member (
    id uuid primary key,
    version integer not null,
    business_id uuid not null,
    list_id uuid not null,
    subscriber_id uuid not null,
    asked_at timestamptz not null,
    joined_at timestamptz not null,
    left_at timestamptz,
    unique (list_id, subscriber_id),
    foreign key (business_id, list_id) references newsletter_list (business_id, id),
    foreign key (business_id, subscriber_id) references subscriber (business_id, id)
);
create index on list_member (subscriber_id);

-- Somebody was asked by mail whether it was they who subscribed. Whoever does not say so in time is forgotten.
create table join_request (
    id uuid primary key,
    version integer not null,
    business_id uuid not null,
    list_id uuid not null,
    email varchar(254) not null,
    words varchar(300) not null,
    place varchar(8) not null,
    place_id uuid not null,
    link_id uuid,
    click_id uuid,
    labels text[] not null,
    page varchar(500) not null,
    asked_at timestamptz not null,
    expires_at timestamptz not null,
    mails integer not null,
    mailed_at timestamptz not null,
    confirmed_at timestamptz,
    unique (list_id, email),
    foreign key (business_id, list_id) references newsletter_list (business_id, id),
    foreign key (business_id, link_id) references link (business_id, id)
);
create index on join_request (business_id, expires_at);

alter table newsletter_list enable row level security;
alter table list_member enable row level security;
alter table join_request enable row level security;
create policy newsletter_list_own on newsletter_list using (business_id = (select current_business()));
create policy list_member_own on list_member using (business_id = (select current_business()));
create policy join_request_own on join_request using (business_id = (select current_business()));
grant select, insert, update on newsletter_list, list_member to ${appRole};
grant select, insert, update, delete on join_request to ${appRole};

-- Whose list or request this is, asked by anybody.
create function door_newsletter_list(wanted uuid) returns uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select business_id from newsletter_list where id = wanted and has_form and archived_at is null $$;
create function door_join_request(wanted uuid) returns uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select business_id from join_request where id = wanted $$;
revoke all on function door_newsletter_list(uuid), door_join_request(uuid) from public;
grant execute on function door_newsletter_list(uuid), door_join_request(uuid) to ${appRole};

-- A link subscribes to a list. What was subscribed to so far becomes the first one.
alter table opt_in add column list_id uuid, add column labels text[] not null default '{}';
alter table opt_in add foreign key (business_id, list_id) references newsletter_list (business_id, id);
insert into newsletter_list
select gen_random_uuid(), 0, b.id, 'Newsletter',
    coalesce((select o.promise from opt_in o where o.business_id = b.id and o.promise <> '' order by o.is_open desc limit 1), ''),
    false, 7, '{}', false, '', false, '', '', now(), ''
from business b where exists (select from opt_in o where o.business_id = b.id);
update opt_in o set list_id = n.id from newsletter_list n where n.business_id = o.business_id;
insert into list_member
select gen_random_uuid(), 0, u.business_id, n.id, u.id, u.subscribed_at, u.subscribed_at,
    case when exists (select from consent_record r
        where r.business_id = u.business_id and r.contact = u.email and r.purpose = 'email-news' and r.withdrawn_at is null)
    then null else coalesce((select max(r.withdrawn_at) from consent_record r
        where r.business_id = u.business_id and r.contact = u.email and r.purpose = 'email-news'), u.subscribed_at) end
from subscriber u join newsletter_list n on n.business_id = u.business_id where u.proof_id is null;

-- Where words of consent stand, how it is withdrawn, and mail that asks whether somebody subscribed.
alter table consent_words drop constraint consent_words_place_check;
alter table consent_words add constraint consent_words_place_check
    check (place in ('form', 'opt-in', 'list', 'told', 'sign-up'));
alter table consent_record drop constraint consent_record_withdrawn_how_check;
alter table consent_record add constraint consent_record_withdrawn_how_check
    check (withdrawn_how in ('stop-page', 'reply', 'office', 'complaint', 'sender', 'choices'));
alter table outgoing drop constraint outgoing_purpose_check;
alter table outgoing add constraint outgoing_purpose_check check (purpose in ('plan', 'alert', 'share', 'mailing', 'confirm'));

-- The columns of the file that a sending system takes, in their order: its heading and what stands below it.
alter table sender add column headings text[] not null default '{}', add column fields text[] not null default '{}',
    add column date_style varchar(12) not null default 'iso', add column separator varchar(1) not null default ',';
