-- Names by what things are in the trade; documents are brought to their new shape as they are read.
alter table departure rename to override;
alter index departure_original rename to override_original;
alter table act rename to edit;

alter table original rename column trouble_code to problem_code;
alter table original rename column trouble_text to problem_text;
alter table original rename column trouble_remedy to problem_remedy;
alter table piece rename column trouble_code to problem_code;
alter table piece rename column trouble_text to problem_text;
alter table piece rename column trouble_remedy to problem_remedy;
update piece set state = 'FAILED' where state = 'TROUBLE';
