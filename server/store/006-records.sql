-- After the rows of before are brought up: what every record must have, and no way around the append-only tables.
alter table farm drop column mince_per_kg, alter column mince_milli set not null,
  alter column mince_per set not null, alter column hour set not null;

alter table weighing drop column ordinal, alter column rev set not null, alter column device set not null,
  alter column person set not null, add unique (lot_group, rev);
alter table pack drop column ordinal, alter column rev set not null, alter column device set not null,
  alter column person set not null, add unique (lot_group, rev);
alter table command drop column seq;
alter table command drop constraint command_id_key;
alter table command add primary key (id);
alter table command alter column rev set not null, alter column device set not null,
  alter column person set not null, add unique (lot_group, rev);

create trigger fact_kept before update or delete on fact for each row execute function refuse_change();
create trigger lot_group_kept before update or delete on lot_group for each row execute function refuse_change();
create trigger weighing_whole before truncate on weighing for each statement execute function refuse_change();
create trigger pack_whole before truncate on pack for each statement execute function refuse_change();
create trigger command_whole before truncate on command for each statement execute function refuse_change();
create trigger fact_whole before truncate on fact for each statement execute function refuse_change();
create trigger lot_group_whole before truncate on lot_group for each statement execute function refuse_change();
create trigger paper_whole before truncate on paper for each statement execute function refuse_change();
create trigger anatomy_whole before truncate on anatomy for each statement execute function refuse_change();
create trigger own_addition_whole before truncate on own_addition for each statement execute function refuse_change();
