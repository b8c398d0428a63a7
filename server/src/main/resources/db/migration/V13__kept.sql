-- Saved sizes, name patterns and product rules, kept outside jobs; with a rule for an invented product of each kind.
create table kept (
    id       uuid primary key,
    kind     text        not null,
    name     text        not null,
    document jsonb       not null,
    kept_at  timestamptz not null,
    version  bigint      not null
);
-- No two of a kind alike, whatever their letters' case.
create unique index kept_name on kept (kind, lower(name));

insert into kept (id, kind, name, document, kept_at, version)
values
    ('01930000-0000-7000-8000-000000000001', 'product', 'Canvas 40 × 60 cm, front',
     '{"kind": "product", "schemaVersion": 1, "unit": "CM", "width": {"value": 40, "unit": "CM"}, "height": {"value": 60, "unit": "CM"}, "bleed": {"value": 0, "unit": "MM"}, "safe": {"value": 10, "unit": "MM"}, "ppi": 200, "leastPpi": 100, "colour": {"digest": "22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af", "model": "RGB"}, "files": ["JPEG", "TIFF"], "mostBytes": null}', now(), 0),
    ('01930000-0000-7000-8000-000000000002', 'product', 'Cloth panel 50 × 50 cm',
     '{"kind": "product", "schemaVersion": 1, "unit": "CM", "width": {"value": 50, "unit": "CM"}, "height": {"value": 50, "unit": "CM"}, "bleed": {"value": 0, "unit": "MM"}, "safe": {"value": 10, "unit": "MM"}, "ppi": 150, "leastPpi": 60, "colour": {"digest": "22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af", "model": "RGB"}, "files": ["JPEG", "PNG", "TIFF"], "mostBytes": null}', now(), 0),
    ('01930000-0000-7000-8000-000000000003', 'product', 'Mug wrap 200 × 90 mm',
     '{"kind": "product", "schemaVersion": 1, "unit": "MM", "width": {"value": 200, "unit": "MM"}, "height": {"value": 90, "unit": "MM"}, "bleed": {"value": 2, "unit": "MM"}, "safe": {"value": 5, "unit": "MM"}, "ppi": 300, "leastPpi": 150, "colour": {"digest": "22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af", "model": "RGB"}, "files": ["JPEG", "PNG"], "mostBytes": 20000000}', now(), 0),
    ('01930000-0000-7000-8000-000000000004', 'product', 'Poster 50 × 70 cm',
     '{"kind": "product", "schemaVersion": 1, "unit": "CM", "width": {"value": 50, "unit": "CM"}, "height": {"value": 70, "unit": "CM"}, "bleed": {"value": 3, "unit": "MM"}, "safe": {"value": 5, "unit": "MM"}, "ppi": 200, "leastPpi": 100, "colour": {"digest": "22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af", "model": "RGB"}, "files": ["JPEG", "PDF", "TIFF"], "mostBytes": null}', now(), 0),
    ('01930000-0000-7000-8000-000000000005', 'product', 'Print 20 × 30 cm',
     '{"kind": "product", "schemaVersion": 1, "unit": "CM", "width": {"value": 20, "unit": "CM"}, "height": {"value": 30, "unit": "CM"}, "bleed": {"value": 0, "unit": "MM"}, "safe": {"value": 0, "unit": "MM"}, "ppi": 300, "leastPpi": 180, "colour": {"digest": "22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af", "model": "RGB"}, "files": ["JPEG", "TIFF"], "mostBytes": null}', now(), 0),
    ('01930000-0000-7000-8000-000000000006', 'product', 'Tile 20 × 20 cm',
     '{"kind": "product", "schemaVersion": 1, "unit": "CM", "width": {"value": 20, "unit": "CM"}, "height": {"value": 20, "unit": "CM"}, "bleed": {"value": 3, "unit": "MM"}, "safe": {"value": 4, "unit": "MM"}, "ppi": 300, "leastPpi": 120, "colour": {"digest": "22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af", "model": "RGB"}, "files": ["JPEG", "PNG"], "mostBytes": null}', now(), 0);
