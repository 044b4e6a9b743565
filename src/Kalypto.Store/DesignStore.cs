using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Npgsql;

namespace Kalypto.Store;

/// <summary>The drawings of the designs: their files, and where their layers lie.</summary>
public sealed class DesignStore(Database database)
{
    private const int LongestFileName = 200;
    private const int MostAtOnce = 64;

    /// <summary>Adds a design with its first draft, as a step of the history: all of it or nothing.</summary>
    /// <returns>The number of the design; null when the project is not there or put away, or the author is no designer of it.</returns>
    public async Task<int?> AddAsync(Author author, NewDesign made, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var isOpen = await connection.Command("select 1 from projects where id = $1 and archived_at is null and deleted_at is null for update", author.Project)
            .ListAsync(r => r.GetInt32(0), cancel);
        if (isOpen.Count == 0 || await Readable.RoleAsync(connection, author.Project, author.Actor, cancel) < Role.Designer)
        {
            return null;
        }
        var sha256 = await BlobStore.PutAsync(connection, made.File, cancel);
        string[]? credit = made.Credit is { } lines ? [lines.Copyright, lines.Author, lines.Contact] : null;
        var (design, added) = (await connection.Command("""
            insert into designs (project_id, name, drawn_at, credit, position) values ($1, $2, $3, $4::text[], coalesce((select max(position) from designs where project_id = $1), 0) + 1) returning id, now()
            """, author.Project, made.Name, made.DrawnAt, credit).ListAsync(r => (r.GetInt32(0), r.GetDateTime(1)), cancel))[0];
        var draft = await connection.Command("""
            with draft as (insert into drafts (design_id, number, file_name, file_sha256, shapes, brought_in_by, measured_with, merged) values ($1, 1, $2, $3, $4, $5, $7, $8) returning id),
            held as (update designs set draft_id = (select id from draft), lineages = $6 where id = $1)
            select id from draft
            """, design, Clean(made.FileName), sha256, Flat(made.Shapes), author.Actor.Name, made.Shapes.Count, made.MeasuredWith, made.Merged).ScalarAsync<int>(cancel);
        await TakeAsync(connection, draft, made.Taken, cancel);
        var marks = made.Marks.ToDictionary(m => new LineageKey(design, m.Key), m => m.Value);
        await Marks.WriteAsync(connection, marks, cancel);
        // Taken back, the design is removed as of when it came; its marks stay with it.
        await EditStore.RememberAsync(connection, author, made.Label, [new(design, -1, "removed", FieldChange.Text(added), null)], cancel);
        await transaction.CommitAsync(cancel);
        return design;
    }

    /// <summary>Adds the next draft of a design, which holds from now on, as a step of the history: all of it or nothing.</summary>
    /// <returns>The number of the draft among all drafts; null when the design is not there any more, is put away, has another draft by now, or the author is no designer of it.</returns>
    public async Task<int?> AddDraftAsync(Author author, NewDraft draft, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var present = await connection.Command("""
            select d.arrangement, d.drawn_at from projects p join designs d on d.project_id = p.id
            where p.id = $1 and p.archived_at is null and p.deleted_at is null and d.id = $2 and d.removed_at is null and d.draft_id = $3 for update
            """, author.Project, draft.Design, draft.Follows).ListAsync(r => (Arrangement: r.GetString(0), DrawnAt: r.GetDouble(1)), cancel);
        if (present.Count == 0 || await Readable.RoleAsync(connection, author.Project, author.Actor, cancel) < Role.Designer)
        {
            return null;
        }
        var sha256 = await BlobStore.PutAsync(connection, draft.File, cancel);
        var arrangement = draft.Arrange(Arrangement.Parse(present[0].Arrangement)).ToString();
        var id = await connection.Command("""
            with draft as (
              insert into drafts (design_id, number, file_name, file_sha256, shapes, lineages, pairs, follows, brought_in_by, measured_with, merged)
              select $1, max(number) + 1, $2, $3, $4, $5, $6, $7, $8, $11, $12 from drafts where design_id = $1 returning id),
            held as (update designs set draft_id = (select id from draft), arrangement = $9, lineages = greatest(lineages, $10) where id = $1)
            select id from draft
            """, draft.Design, Clean(draft.FileName), sha256, Flat(draft.Shapes), draft.Lineages, draft.Pairs, draft.Follows, author.Actor.Name, arrangement, draft.Lineages.DefaultIfEmpty().Max() + 1, draft.MeasuredWith, draft.Merged)
            .ScalarAsync<int>(cancel);
        await TakeAsync(connection, id, draft.Taken, cancel);
        List<Change> changes = [new(draft.Design, -1, "draft", Text(draft.Follows), Text(id))];
        if (arrangement != present[0].Arrangement)
        {
            changes.Add(new(draft.Design, -1, "arrangement", present[0].Arrangement, arrangement));
        }
        if (draft.DrawnAt is { } drawnAt && drawnAt != present[0].DrawnAt)
        {
            await connection.Command("update designs set drawn_at = $2 where id = $1", draft.Design, drawnAt).RunAsync(cancel);
            changes.Add(new(draft.Design, -1, "drawn at", Text(present[0].DrawnAt), Text(drawnAt)));
        }
        var named = await connection.Command("""
            update marks m set ship_name = n.name from unnest($2, $3) as n (lineage, name)
            where m.design_id = $1 and m.lineage = n.lineage and m.ship_name is null and m.decision = 'Ship' returning m.lineage, m.ship_name
            """, draft.Design, draft.Names.Keys.ToArray(), draft.Names.Values.ToArray()).ListAsync(r => (Lineage: r.GetInt32(0), Name: r.GetString(1)), cancel);
        changes.AddRange(named.Select(n => new Change(draft.Design, n.Lineage, "name", null, n.Name)));
        var apart = await connection.Command("""
            with before as (select lineage, ship_name from marks where design_id = $1 and lineage = any($2) and decision = 'Ship' for update)
            update marks m set ship_name = n.name from before b join unnest($2, $3) as n (lineage, name) using (lineage)
            where m.design_id = $1 and m.lineage = b.lineage returning m.lineage, b.ship_name, m.ship_name
            """, draft.Design, draft.OwnNames.Keys.ToArray(), draft.OwnNames.Values.ToArray()).ListAsync(r => new Change(draft.Design, r.GetInt32(0), "name", r.Nullable<string>(1), r.GetString(2)), cancel);
        changes.AddRange(apart);
        var shipped = await connection.Command("""
            insert into marks as m (design_id, lineage, decision, tags) select $1, s.lineage, 'Ship', '' from unnest($2) as s (lineage)
            on conflict (design_id, lineage) do update set decision = excluded.decision where m.decision = 'Open' returning lineage
            """, draft.Design, draft.Ships.Distinct().ToArray()).ListAsync(r => r.GetInt32(0), cancel);
        changes.AddRange(shipped.Select(lineage => new Change(draft.Design, lineage, "decision", nameof(Decision.Open), nameof(Decision.Ship))));
        await EditStore.RememberAsync(connection, author, draft.Label, changes, cancel);
        await transaction.CommitAsync(cancel);
        return id;
    }

    /// <summary>What is said of the layers of a design, by lineage.</summary>
    public async Task<Dictionary<int, Mark>> MarksAsync(int design, CancellationToken cancel) =>
        (await database.Source.Command("select lineage, decision, ship_name, tags, dismissed, apart from marks where design_id = $1", design)
            .ListAsync(r => (Lineage: r.GetInt32(0), Mark: Marks.Read(r, 1)), cancel)).ToDictionary(m => m.Lineage, m => m.Mark);

    /// <summary>All drafts of a design, the newest first.</summary>
    public Task<List<DraftRow>> DraftsAsync(int design, CancellationToken cancel) => database.Source.Command($"""
        select f.id, f.number, f.file_name, f.brought_in_at, f.brought_in_by, f.follows, f.pairs, f.asked, f.file_sha256, {DraftLineages.Columns}
        from drafts f where f.design_id = $1 order by f.number desc
        """, design).ListAsync(r => new DraftRow(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetDateTime(3), r.GetString(4),
            r.Nullable<int?>(5), r.GetString(6), r.GetInt32(7), r.GetString(8), DraftLineages.Read(r, 9)), cancel);

    /// <summary>The draft that holds of a design, its name, and its drawing units in one pt; null when it is not there.</summary>
    public async Task<(int DraftId, string Name, double DrawnAt)?> HeldAsync(int project, int design, CancellationToken cancel) =>
        (await database.Source.Command("select draft_id, name, drawn_at from designs where id = $1 and project_id = $2 and removed_at is null", design, project)
            .ListAsync(r => ((int, string, double)?)(r.GetInt32(0), r.GetString(1), r.GetDouble(2)), cancel)).FirstOrDefault();

    /// <summary>The designs of a project by name, in their order.</summary>
    public Task<List<DesignName>> NamesAsync(int project, CancellationToken cancel) => database.Source
        .Command("select id, name, draft_id from designs where project_id = $1 and removed_at is null order by position, id", project)
        .ListAsync(r => new DesignName(r.GetInt32(0), r.GetString(1), r.GetInt32(2)), cancel);

    /// <summary>How many lineages were given in a design so far.</summary>
    public Task<int> LineagesAsync(int design, CancellationToken cancel) => database.Source.Command("select lineages from designs where id = $1", design).ScalarAsync<int>(cancel);

    /// <summary>The drafts of a project whose file is the same, newest first.</summary>
    public Task<List<(int Design, int Draft)>> OfFileAsync(int project, byte[] file, CancellationToken cancel) => database.Source.Command("""
        select f.design_id, f.id from drafts f join designs d on d.id = f.design_id where d.project_id = $1 and d.removed_at is null and f.file_sha256 = $2 order by f.id desc
        """, project, Core.Designs.Fingerprint.Of(file).Hex).ListAsync(r => (r.GetInt32(0), r.GetInt32(1)), cancel);

    /// <summary>The files of drafts with the names of their designs and the shape boxes of their layers by ordinal, one after the other.</summary>
    public async IAsyncEnumerable<DraftFile> FilesAsync(IReadOnlyCollection<int> drafts, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        foreach (var some in drafts.Chunk(MostAtOnce))
        {
            await using var command = database.Source.Command("""
                select f.id, d.name, b.bytes, f.shapes, f.measured_with, f.merged from drafts f join designs d on d.id = f.design_id join blobs b on b.sha256 = f.file_sha256 where f.id = any($1)
                """, some);
            await using var reader = await command.ExecuteReaderAsync(cancel);
            while (await reader.ReadAsync(cancel))
            {
                yield return new(reader.GetInt32(0), reader.GetString(1), reader.GetFieldValue<byte[]>(2), Boxes(reader), reader.GetString(4), reader.Nullable<double?>(5));
            }
        }
    }

    /// <summary>Keeps where the layers of a draft lie, measured again with other fonts.</summary>
    public Task MeasuredAsync(int draft, IReadOnlyList<Box?> shapes, string measuredWith, CancellationToken cancel) => database.Redoable
        .Command("update drafts set shapes = $2, measured_with = $3 where id = $1", draft, Flat(shapes), measuredWith).RunAsync(cancel);

    private static Task TakeAsync(NpgsqlConnection connection, int draft, Taken? taken, CancellationToken cancel) => taken is null ? Task.CompletedTask : connection
        .Command("insert into taken (draft_id, design_id, lineage, build_id, drawing) values ($1, $2, $3, $4, $5)", draft, taken.Design, taken.Lineage, taken.Build, taken.Drawing).RunAsync(cancel);

    private static string Clean(string fileName) => Core.Naming.PlainText.Clean(fileName, LongestFileName);

    private static string Text(double number) => number.ToString(System.Globalization.CultureInfo.InvariantCulture);

    private static string Text(int number) => number.ToString(System.Globalization.CultureInfo.InvariantCulture);

    private static double[] Flat(IReadOnlyList<Box?> shapes) => [.. shapes.SelectMany(s => s.Numbers() ?? [double.NaN, double.NaN, double.NaN, double.NaN])];

    private static Box?[] Boxes(NpgsqlDataReader reader)
    {
        var flat = reader.GetFieldValue<double[]>(3);
        var boxes = new Box?[flat.Length / 4];
        for (var i = 0; i < boxes.Length; i++)
        {
            boxes[i] = double.IsNaN(flat[4 * i]) ? null : new(flat[4 * i], flat[4 * i + 1], flat[4 * i + 2], flat[4 * i + 3]);
        }
        return boxes;
    }
}
