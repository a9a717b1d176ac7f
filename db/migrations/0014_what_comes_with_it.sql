-- What comes out behind a fastener and has to go back in (spring, spacer, ring), and which of its bolts is how long.
alter table fastener add column comes_with text not null default '' check (length(comes_with) <= 120);
alter table fastener add column lengths text not null default '' check (length(lengths) <= 120);
