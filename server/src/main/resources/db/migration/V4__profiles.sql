-- Profiles that somebody put on the shelf; their bytes lie in the storage folder, by digest, and stay there.
create table profile (
    digest   text primary key,
    name     text        not null,
    added_at timestamptz not null,
    version  bigint      not null
);

-- Which profiles a job assumes for pictures that say nothing: null is Embrick's own assumption.
create table assumption (
    job_id uuid primary key references job on delete cascade,
    grey   text,
    rgb    text,
    cmyk   text,
    version bigint not null
);

-- The profile that somebody said a picture has.
alter table original add column profile_digest text;
