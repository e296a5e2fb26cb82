-- Names that differ by large letters only are the same name to whoever reads them.
create unique index follow_up_plan_name on follow_up_plan (business_id, lower(name));
create unique index round_name on round (business_id, lower(name));
