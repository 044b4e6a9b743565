-- What came of drawing a screen by both engines, found again by the key of all that goes into it.
create table proofs (
  key char(64) primary key,
  engine text not null,
  equal double precision,
  marks char(64) references blobs (sha256),
  failure text,
  passes_at timestamptz,
  used_at timestamptz not null default now());
create index on proofs (marks);

-- The elements of its layers that are drawn by the exact engine from then on, with the share of their ink that was other.
create table proven (
  proof char(64) not null references proofs (key) on delete cascade,
  element char(64) not null,
  share double precision not null,
  primary key (proof, element));
