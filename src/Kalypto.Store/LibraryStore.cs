using Kalypto.Core.Comparing;
using Kalypto.Core.Library;

namespace Kalypto.Store;

/// <summary>The library: every layer that was ever shipped, how it looks, and what was taken from it into other projects.</summary>
public sealed class LibraryStore(Database database)
{
    private const int MostAtOnce = 20;

    private const string Columns = """
        select s.design_id, s.lineage, s.owner, s.drawing, s.name, s.layer, s.screen, s.kind, s.tags, s.width, s.height, s.platforms, s.project_id, p.name,
        a.id, a.number, a.started_at, n.id, n.number, n.started_at, l.hash, l.colours, l.shares
        from shipped s join projects p on p.id = s.project_id and p.deleted_at is null join builds a on a.id = s.since join builds n on n.id = s.newest left join shipped_looks l on l.drawing = s.drawing
        """;

    /// <summary>A draft that holds and was taken from the library.</summary>
    /// <param name="Design">The design that it is a draft of.</param>
    /// <param name="Taken">Where it was taken from.</param>
    /// <param name="Number">The number of that delivery.</param>
    /// <param name="Original">The original as it is in its newest delivery.</param>
    public sealed record Link(int Design, Taken Taken, int Number, ShippedLayer Original)
    {
        /// <summary>True when the original was drawn anew and delivered since.</summary>
        public bool IsOld => Original.Drawing != Taken.Drawing && Original.Newest!.Build > Taken.Build;
    }

    /// <summary>Everything that was shipped in projects that are there, and whose files somebody may have; all for nobody in particular.</summary>
    public Task<List<ShippedLayer>> AllAsync(CancellationToken cancel, int? person = null) => database.Source.Command($"{Columns} where {Readable.FilesBy("s.project_id", "$1")}", person).Patiently().ListAsync(r => Read(r), cancel);

    /// <summary>One layer that was shipped; null when there is none.</summary>
    public async Task<ShippedLayer?> FindAsync(int design, int lineage, CancellationToken cancel, int? person = null) =>
        (await database.Source.Command($"{Columns} where s.design_id = $1 and s.lineage = $2 and {Readable.FilesBy("s.project_id", "$3")}", design, lineage, person).ListAsync(r => Read(r), cancel)).FirstOrDefault();

    /// <summary>The designs of a project whose draft that holds was taken from the library.</summary>
    public Task<List<Link>> LinksAsync(int project, CancellationToken cancel) => database.Source.Command("""
        with t as (select t.*, d.id as into_design, b.number as taken_number from designs d join taken t on t.draft_id = d.draft_id join builds b on b.id = t.build_id where d.project_id = $1 and d.removed_at is null)
        """ + Columns.Replace("l.shares", "l.shares, t.into_design, t.build_id, t.drawing, t.taken_number", StringComparison.Ordinal) + " join t on t.design_id = s.design_id and t.lineage = s.lineage", project)
        .ListAsync(r => Read(r) is var original ? new Link(r.GetInt32(23), new(original.Design, original.Lineage, r.GetInt32(24), r.GetString(25)), r.GetInt32(26), original) : throw new InvalidOperationException(), cancel);

    /// <summary>Where some drafts were taken from, by draft; those that nobody took from the library are missing.</summary>
    public async Task<IReadOnlyDictionary<int, Taken>> TakenAsync(IReadOnlyCollection<int> drafts, CancellationToken cancel) => (await database.Source
        .Command("select draft_id, design_id, lineage, build_id, drawing from taken where draft_id = any($1)", drafts.ToArray())
        .ListAsync(r => (Draft: r.GetInt32(0), Taken: new Taken(r.GetInt32(1), r.GetInt32(2), r.GetInt32(3), r.GetString(4))), cancel)).ToDictionary(t => t.Draft, t => t.Taken);

    /// <summary>The files of a layer that was shipped, for each platform those of the newest delivery that had any, with the build that they are of.</summary>
    public Task<List<(int Build, DeliveredFile File)>> FilesAsync(string owner, CancellationToken cancel) => database.Source.Command("""
        select f.build_id, f.path, f.sha256, f.weight, f.identity, f.platform, f.kind, f.layer, f.screen, f.width, f.height from build_files f
        join (select f.platform, max(f.build_id) as build_id from build_files f join builds b on b.id = f.build_id and b.number is not null
          where f.owner = $1 and f.owner like '%:%' group by f.platform) as newest using (platform, build_id)
        where f.owner = $1 and f.owner like '%:%' order by f.platform, f.path
        """, owner).ListAsync(r => (r.GetInt32(0), new DeliveredFile(r.GetString(4), r.GetString(1), r.GetString(2), r.GetInt64(3))
    {
        Platform = r.GetString(5),
        Kind = r.GetString(6),
        Layer = r.GetString(7),
        Screen = r.GetString(8),
        Width = r.GetInt32(9),
        Height = r.GetInt32(10),
    }), cancel);

    /// <summary>Deliveries that are not in the library yet, the oldest first.</summary>
    public Task<List<int>> UnshelvedAsync(CancellationToken cancel) => database.Source
        .Command($"select b.id from builds b join projects p on p.id = b.project_id and p.deleted_at is null where b.number is not null and not b.shelved order by b.id limit {MostAtOnce}").ListAsync(r => r.GetInt32(0), cancel);

    /// <summary>Puts the layers of a delivery into the library: all of them, or none. Doing it twice changes nothing.</summary>
    public async Task ShelveAsync(int build, int project, IReadOnlyList<ShippedLayer> layers, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // One delivery after the other. What an older one says of a layer after a newer one is not heard.
        await connection.Command("select id from projects where id = $1 for update", project).RunAsync(cancel);
        await connection.Command("""
            insert into shipped (design_id, lineage, project_id, owner, drawing, name, layer, screen, kind, tags, width, height, platforms, since, newest)
            select d.id, s.lineage, $2, s.owner, s.drawing, s.name, s.layer, s.screen, s.kind, s.tags, s.width, s.height, string_to_array(s.platforms, ' '), $1, $1
            from unnest($3::int[], $4::int[], $5::text[], $6::text[], $7::text[], $8::text[], $9::text[], $10::text[], $11::text[], $12::float8[], $13::float8[], $14::text[])
              as s (design, lineage, owner, drawing, name, layer, screen, kind, tags, width, height, platforms) join designs d on d.id = s.design
            on conflict (design_id, lineage) do update set (owner, drawing, name, layer, screen, kind, tags, width, height, newest, platforms) =
              (excluded.owner, excluded.drawing, excluded.name, excluded.layer, excluded.screen, excluded.kind, excluded.tags, excluded.width, excluded.height, excluded.newest,
              (select array_agg(distinct p order by p) from unnest(shipped.platforms || excluded.platforms) as p))
              where excluded.newest >= shipped.newest
            """, build, project, Of(l => l.Design), Of(l => l.Lineage), Of(l => l.Owner), Of(l => l.Drawing), Of(l => l.Name), Of(l => l.Layer), Of(l => l.Screen), Of(l => l.Kind), Of(l => l.Tags),
            Of(l => l.Width), Of(l => l.Height), Of(l => string.Join(' ', l.Platforms))).RunAsync(cancel);
        await connection.Command("update builds set shelved = true where id = $1", build).RunAsync(cancel);
        await transaction.CommitAsync(cancel);

        T[] Of<T>(Func<ShippedLayer, T> value) => [.. layers.Select(value)];
    }

    /// <summary>Which of some drawings nobody looked at yet.</summary>
    public Task<List<string>> UnseenAsync(IReadOnlyCollection<string> drawings, CancellationToken cancel) => database.Source
        .Command("select d from unnest($1::text[]) as d where not exists (select from shipped_looks l where l.drawing = d)", (object)drawings.ToArray()).ListAsync(r => r.GetString(0), cancel);

    /// <summary>Keeps how a drawing looks.</summary>
    /// <param name="drawing">Its fingerprint.</param>
    /// <param name="png">A small picture; null when it cannot be drawn.</param>
    /// <param name="look">How it looks; null when it cannot be drawn.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task KeepLookAsync(string drawing, byte[]? png, PictureLook? look, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var picture = png is null ? null : await BlobStore.PutAsync(connection, png, cancel);
        await connection.Command("insert into shipped_looks (drawing, picture, hash, colours, shares) values ($1, $2::char(64), $3::text, $4, $5) on conflict do nothing",
            drawing, picture, look?.Hash?.ToString(), look?.Colours.Select(c => c.Hex).ToArray() ?? [], look?.Colours.Select(c => c.Share).ToArray() ?? []).RunAsync(cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>The small picture of a drawing as PNG; null when there is none, or when it was shipped in no project whose files somebody may have.</summary>
    public async Task<byte[]?> PictureAsync(string drawing, CancellationToken cancel, int? person = null) => (await database.Source
        .Command($"""
            select b.bytes from shipped_looks l join blobs b on b.sha256 = l.picture where l.drawing = $1
            and exists (select from shipped s join projects p on p.id = s.project_id and p.deleted_at is null where s.drawing = l.drawing and {Readable.FilesBy("s.project_id", "$2")})
            """, drawing, person).ListAsync(r => r.GetFieldValue<byte[]>(0), cancel)).FirstOrDefault();

    private static ShippedLayer Read(Npgsql.NpgsqlDataReader r) => new(
        r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetString(3), r.GetString(4), r.GetString(5), r.GetString(6), r.GetString(7), r.GetString(8), r.GetDouble(9), r.GetDouble(10),
        [.. r.GetFieldValue<string[]>(11)])
    {
        Project = r.GetInt32(12),
        ProjectName = r.GetString(13),
        Since = new(r.GetInt32(14), r.GetInt32(15), r.GetDateTime(16)),
        Newest = new(r.GetInt32(17), r.GetInt32(18), r.GetDateTime(19)),
        Look = r.IsDBNull(21) ? null : new(PictureHash.Parse(r.Nullable<string>(20)),
            [.. r.GetFieldValue<string[]>(21).Zip(r.GetFieldValue<double[]>(22), (hex, share) => new MainColour(hex, share))]),
    };
}
