-- What of an outcome's value was for delivery, where its report told.
alter table outcome add column delivery_minor bigint not null default 0 check (delivery_minor >= 0);

-- Sources that are somebody else, and what they get. A partner has the identifier of its source.
create table partner (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    contact varchar(120) not null,
    email varchar(254) not null,
    phone varchar(20) not null,
    language varchar(2) not null,
    note varchar(1000) not null,
    payout varchar(5) not null check (payout in ('', 'iban', 'other')),
    account_name varchar(70) not null,
    iban varchar(34) not null,
    bic varchar(11) not null,
    payout_other varchar(300) not null,
    minimum_minor bigint not null check (minimum_minor >= 0),
    tax_number varchar(40) not null,
    tax_note varchar(300) not null,
    self_billing boolean not null,
    tax_percent numeric(6, 3) not null check (tax_percent between 0 and 100),
    page_token varchar(22) unique,
    page_values boolean not null,
    page_opened_at timestamptz,
    created_at timestamptz not null,
    created_by varchar(120) not null,
    ended_at timestamptz,
    unique (business_id, id),
    foreign key (business_id, id) references source (business_id, id)
);

-- What a partner gets, from a day on. A version that has begun is never changed: the next one takes its place.
create table partner_terms (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    partner_id uuid not null,
    way varchar(4) not null check (way in ('link', 'code')),
    first_day date not null,
    last_day date check (last_day >= first_day),
    rates varchar(2000) not null,
    tax_percent numeric(6, 3) not null check (tax_percent between 0 and 100),
    without_delivery boolean not null,
    items varchar(500) not null,
    most_per_outcome_minor bigint check (most_per_outcome_minor >= 0),
    most_per_month_minor bigint check (most_per_month_minor >= 0),
    first_only boolean not null,
    held_days integer not null check (held_days between 0 and 365),
    created_at timestamptz not null,
    created_by varchar(120) not null,
    unique (business_id, partner_id, way, first_day),
    foreign key (business_id, partner_id) references partner (business_id, id)
);

-- Whose an outcome is, of all the partners that its evidence points to.
create table partner_outcome (
    outcome_id uuid not null,
    business_id uuid not null references business,
    partner_id uuid not null,
    evidence varchar(10) not null,
    way varchar(4) not null check (way in ('', 'link', 'code')),
    earns boolean not null,
    month date not null,
    primary key (outcome_id, partner_id),
    foreign key (business_id, partner_id) references partner (business_id, id)
);
create index on partner_outcome (business_id, partner_id, month);

create index on outcome_clue (business_id, source_id) where source_id is not null;

-- Statements are numbered without gaps for each business, and never change.
create table partner_statement (
    id uuid primary key,
    business_id uuid not null references business,
    partner_id uuid not null,
    month date not null,
    number integer not null,
    opening_minor bigint not null,
    earned_minor bigint not null,
    adjusted_minor bigint not null,
    paid_minor bigint not null,
    closing_minor bigint not null check (closing_minor = opening_minor + earned_minor + adjusted_minor - paid_minor),
    made_at timestamptz not null,
    made_by varchar(120) not null,
    unique (business_id, id),
    unique (business_id, number),
    unique (business_id, partner_id, month),
    foreign key (business_id, partner_id) references partner (business_id, id)
);

-- What a partner earned by an outcome, a line each time that it changed. A line on a statement never changes. It keeps
-- what it tells of the outcome, for outcomes can be forgotten.
create table commission_line (
    id uuid not null,
    business_id uuid not null references business,
    partner_id uuid not null,
    outcome_id uuid not null,
    outcome_kind varchar(12) not null,
    reference varchar(100) not null,
    month date not null,
    way varchar(4) not null,
    kind varchar(8) not null check (kind in ('earned', 'adjusted')),
    day date not null,
    due_from date not null,
    minor bigint not null,
    reason varchar(20) not null,
    shares varchar(300) not null,
    statement_id uuid,
    primary key (business_id, id),
    foreign key (business_id, partner_id) references partner (business_id, id),
    foreign key (business_id, statement_id) references partner_statement (business_id, id)
);
create index on commission_line (business_id, partner_id, day);
create index on commission_line (business_id, outcome_id);
create index on commission_line (business_id, partner_id) where statement_id is null;

-- Payments, and the orders to a bank that they went out with.
create table payout (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    number integer not null,
    pay_on date not null,
    state varchar(9) not null check (state in ('open', 'paid', 'cancelled')),
    made_at timestamptz not null,
    made_by varchar(120) not null,
    unique (business_id, id),
    unique (business_id, number)
);
create table partner_payment (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    partner_id uuid not null,
    payout_id uuid,
    statement_id uuid,
    state varchar(9) not null check (state in ('open', 'paid', 'cancelled')),
    paid_on date not null,
    amount_minor bigint not null check (amount_minor > 0),
    note varchar(200) not null,
    made_at timestamptz not null,
    made_by varchar(120) not null,
    foreign key (business_id, partner_id) references partner (business_id, id),
    foreign key (business_id, payout_id) references payout (business_id, id),
    foreign key (business_id, statement_id) references partner_statement (business_id, id)
);
create unique index partner_payment_once on partner_payment (business_id, partner_id) where state = 'open';
create index on partner_payment (business_id, partner_id, paid_on);

-- Where partners are paid from.
create table payout_account (
    id uuid primary key,
    business_id uuid not null unique references business,
    version integer not null default 0,
    name varchar(70) not null,
    iban varchar(34) not null,
    bic varchar(11) not null,
    tax_number varchar(40) not null
);

-- Outcomes of a partner that somebody should look at, and what was decided.
create table commission_review (
    id uuid primary key,
    business_id uuid not null references business,
    version integer not null default 0,
    partner_id uuid not null,
    outcome_id uuid not null,
    reason varchar(12) not null,
    state varchar(8) not null check (state in ('open', 'cleared', 'refused')),
    said varchar(300) not null,
    found_at timestamptz not null,
    decided_at timestamptz,
    decided_by varchar(120) not null,
    unique (business_id, partner_id, outcome_id, reason),
    foreign key (business_id, partner_id) references partner (business_id, id)
);

do $$
declare
    name text;
begin
    foreach name in array array['partner', 'partner_terms', 'partner_outcome', 'partner_statement', 'commission_line', 'payout',
        'partner_payment', 'payout_account', 'commission_review'] loop
        execute format('alter table %I enable row level security', name);
        execute format('create policy %I on %I using (business_id = (select current_business()))', name || '_own', name);
    end loop;
end $$;
grant select, insert, update on partner, partner_terms, payout, partner_payment, payout_account, commission_review
    to ${appRole};
grant delete on partner_terms, commission_review to ${appRole};
grant select, insert on partner_statement to ${appRole};
grant select, insert, update, delete on partner_outcome, commission_line to ${appRole};

-- Whose page an address is.
create function door_partner(wanted varchar) returns uuid
    language sql stable security definer set search_path = public, pg_temp
    as $$ select business_id from partner where page_token = wanted and ended_at is null $$;
revoke all on function door_partner(varchar) from public;
grant execute on function door_partner(varchar) to ${appRole};
