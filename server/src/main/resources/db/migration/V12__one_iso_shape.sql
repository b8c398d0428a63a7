-- All papers of ISO 216 are one shape (1:√2 within 0.7 %), kept under A4's ratio. Where a picture was framed for several of them,
-- the framing that was changed most often stays.
with spoken as (
    select id, original_id, version,
           regexp_match(shape_key, '^(\d{1,18}):(\d{1,18})(-at-scale)?$') as part
      from framing
), iso as (
    select id, original_id, version, '70:99' || coalesce(part[3], '') as shape_key
      from spoken
     where part is not null
       and abs(part[2]::numeric / part[1]::numeric / sqrt(2::numeric) - 1) < 0.007
), ranked as (
    select id, row_number() over (partition by original_id, shape_key order by version desc, id desc) as place from iso
)
delete from framing where id in (select id from ranked where place > 1);

with spoken as (
    select id, regexp_match(shape_key, '^(\d{1,18}):(\d{1,18})(-at-scale)?$') as part from framing
)
update framing
   set shape_key = '70:99' || coalesce(spoken.part[3], '')
  from spoken
 where spoken.id = framing.id
   and spoken.part is not null
   and abs(spoken.part[2]::numeric / spoken.part[1]::numeric / sqrt(2::numeric) - 1) < 0.007;
