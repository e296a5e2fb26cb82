-- A network whose earnings per visit are what a link of the pattern is worth.
alter table outbound_pattern add column worth_network_id uuid,
    add check (worth_network_id is null or worth_minor is null),
    add foreign key (business_id, worth_network_id) references partner_network (business_id, id);
