-- Arrivals that carry a tag no source has are few; they are found without reading the others.
create index site_arrival_unknown_tag on site_arrival (business_id, arrived_at)
    where kind = 'person' and origin <> 'tagged' and page like '%utm_source=%';
