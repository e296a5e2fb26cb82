-- Consent that somebody gave by word of mouth, over the phone or at the counter, and that the business notes.
alter table consent_words drop constraint consent_words_place_check;
alter table consent_words add constraint consent_words_place_check check (place in ('form', 'opt-in', 'list', 'told'));
