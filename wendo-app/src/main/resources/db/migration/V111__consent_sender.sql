-- Somebody can also have unsubscribed at the system that sent the newsletter.
alter table consent_record drop constraint consent_record_withdrawn_how_check;
alter table consent_record add check (withdrawn_how in ('stop-page', 'reply', 'office', 'complaint', 'sender'));
