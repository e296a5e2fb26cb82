-- What sending it cost, once somebody has entered it as spend of its link.
alter table mailing add column spend_id uuid;
