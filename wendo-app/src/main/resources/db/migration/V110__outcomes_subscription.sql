-- A subscription is an outcome too, beside lead, booking and purchase.
alter table outcome drop constraint outcome_kind_check;
alter table outcome alter column kind type varchar(12);
alter table outcome add constraint outcome_kind_check check (kind in ('lead', 'booking', 'purchase', 'subscription'));
alter table outcome drop constraint outcome_reported_by_check;
alter table outcome add constraint outcome_reported_by_check
    check (reported_by in ('site-tag', 'image', 'server', 'person', 'form', 'file', 'opt-in', 'postback'));
alter table partner_network drop constraint partner_network_kind_check;
alter table partner_network alter column kind type varchar(12);
alter table partner_network add constraint partner_network_kind_check
    check (kind in ('lead', 'booking', 'purchase', 'subscription'));
alter table journey drop constraint journey_by_kind_kind_check;
alter table journey alter column kind type varchar(12);
alter table journey add constraint journey_kind_check check (kind in ('lead', 'booking', 'purchase', 'subscription'));
alter table target add column subscription_minor bigint;
