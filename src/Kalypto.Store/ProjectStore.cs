using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Fonts;
using Npgsql;

namespace Kalypto.Store;

/// <summary>The projects.</summary>
public sealed class ProjectStore(Database database)
{
    private const string Columns = "select id, name, platforms, recipes, description, checks, revision, archived_at, fonts, tokens from projects";

    private const string Designs = $"""
        select d.id, d.project_id, d.name, d.drawn_at, f.id, f.number, f.file_sha256, d.arrangement, d.position, d.removed_at, f.asked, d.credit,
        {DraftLineages.Columns} from designs d join drafts f on f.id = d.draft_id where d.project_id = $1 and d.revision > $2
        """;

    private const string MarksOf = """
        select m.design_id, m.lineage, m.decision, m.ship_name, m.tags, m.dismissed, m.apart
        from designs d join marks m on m.design_id = d.id where d.project_id = $1 and d.revision > $2 and d.removed_at is null
        """;

    /// <summary>One page of projects, the last touched first.</summary>
    /// <param name="shelf">Which of them.</param>
    /// <param name="words">Letters in the name or description; empty for all.</param>
    /// <param name="skip">How many to pass over.</param>
    /// <param name="most">How many to give.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="person">The account of whoever asks: only what it may see; null for all.</param>
    /// <returns>The projects, and how many there are on all pages.</returns>
    public async Task<(IReadOnlyList<ListedProject> Projects, int Count)> ListAsync(Shelf shelf, string words, int skip, int most, CancellationToken cancel, int? person = null)
    {
        var where = " where " + shelf switch
        {
            Shelf.Archived => "archived_at is not null and deleted_at is null",
            Shelf.Deleted => "deleted_at is not null",
            _ => "archived_at is null and deleted_at is null",
        } + " and ($1 = '' or strpos(lower(name || ' ' || description), lower($1)) > 0) and " + Readable.By("projects.id", "$2");
        await using var batch = database.Source.Batch(
            ($"select id, name, description, archived_at, deleted_at, touched_at, touched_by, counts::text, revision, counted_at, {Readable.Role("projects.id", "$2::int")} from projects{where} order by touched_at desc, id desc limit $3 offset $4",
                [words, person, most, skip]), ($"select count(*)::int from projects{where}", [words, person]));
        await using var reader = await batch.ExecuteReaderAsync(cancel);
        var projects = await reader.RestAsync(r => new ListedProject(
            r.GetInt32(0), r.GetString(1), r.GetString(2), r.Time(3), r.Time(4), r.GetDateTime(5), r.GetString(6), r.Nullable<string>(7), r.GetInt64(8) == r.GetInt64(9))
        {
            Role = person is null ? Role.Owner : Roles.Of(r.Nullable<string>(10)),
        }, cancel);
        await reader.NextResultAsync(cancel);
        return (projects, (await reader.RestAsync(r => r.GetInt32(0), cancel))[0]);
    }

    /// <summary>How many projects stand on each shelf.</summary>
    public async Task<IReadOnlyDictionary<Shelf, int>> CountsAsync(CancellationToken cancel, int? person = null) => (await database.Source.Command($"""
        select count(*) filter (where archived_at is null and deleted_at is null)::int, count(*) filter (where archived_at is not null and deleted_at is null)::int,
          count(*) filter (where deleted_at is not null)::int from projects
        where {Readable.By("projects.id", "$1")}
        """, person).ListAsync(r => new Dictionary<Shelf, int> { [Shelf.Current] = r.GetInt32(0), [Shelf.Archived] = r.GetInt32(1), [Shelf.Deleted] = r.GetInt32(2) }, cancel))[0];

    /// <summary>Other projects with recipes of their own, by name: to copy from.</summary>
    public Task<List<ProjectRow>> WithRecipesAsync(int but, int most, CancellationToken cancel, int? person = null) => database.Source
        .Command($"{Columns} where id <> $1 and deleted_at is null and recipes <> '' and {Readable.FilesBy("projects.id", "$3")} order by lower(name), id limit $2", but, most, person).ListAsync(Read, cancel);

    /// <summary>One project; null when there is none or it was deleted.</summary>
    public async Task<ProjectRow?> FindAsync(int id, CancellationToken cancel) =>
        (await database.Source.Command(Columns + " where id = $1 and deleted_at is null", id).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>The oldest project of a name that is worked on; null when there is none.</summary>
    public async Task<int?> OfNameAsync(string name, CancellationToken cancel) => (await database.Source
        .Command("select id from projects where lower(name) = lower($1) and archived_at is null and deleted_at is null order by id limit 1", name).ListAsync(r => (int?)r.GetInt32(0), cancel)).FirstOrDefault();

    /// <summary>True when there is a project and it was not deleted.</summary>
    public Task<bool> IsThereAsync(int id, CancellationToken cancel) => database.Source.Command("select exists (select from projects where id = $1 and deleted_at is null)", id).ScalarAsync<bool>(cancel);

    /// <summary>One project whose files somebody may have; null when there is none, it was deleted, or they may not.</summary>
    /// <param name="id">The project.</param>
    /// <param name="person">The account of whoever asks; null for one who may see all.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<ProjectRow?> FindReadableAsync(int id, int? person, CancellationToken cancel) =>
        (await database.Source.Command($"{Columns} where id = $1 and deleted_at is null and {Readable.FilesBy("projects.id", "$2")}", id, person).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>A project and what was changed in it since a revision, in one question; null when there is none or it was deleted.</summary>
    /// <param name="id">The project.</param>
    /// <param name="since">The revision that is known; 0 for everything.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<ProjectChanges?> ChangesAsync(int id, long since, CancellationToken cancel)
    {
        await using var batch = database.Source.Batch((Columns + " where id = $1 and deleted_at is null", [id]), (Designs, [id, since]), (MarksOf, [id, since]));
        await using var reader = await batch.ExecuteReaderAsync(cancel);
        var rows = await reader.RestAsync(Read, cancel);
        if (rows.Count == 0)
        {
            return null;
        }
        await reader.NextResultAsync(cancel);
        var designs = await reader.RestAsync(ReadDesign, cancel);
        await reader.NextResultAsync(cancel);
        var marks = (await reader.RestAsync(r => (Design: r.GetInt32(0), Lineage: r.GetInt32(1), Mark: Marks.Read(r, 2)), cancel)).ToLookup(m => m.Design, m => (m.Lineage, m.Mark));
        return new(rows[0], designs, designs.ToDictionary(d => d.Id, d => InDraft(d, marks[d.Id])));
    }

    /// <summary>One design with what is said of its layers, without the rest of its project; null when it is not there.</summary>
    public async Task<(DesignRow Design, IReadOnlyDictionary<int, Mark> Marks)?> DesignAsync(int project, int design, CancellationToken cancel)
    {
        await using var batch = database.Source.Batch(
            (Designs + " and d.id = $3 and d.removed_at is null and exists (select from projects where id = $1 and deleted_at is null)", [project, -1L, design]),
            (MarksOf + " and d.id = $3", [project, -1L, design]), ("select fonts from projects where id = $1", [project]));
        await using var reader = await batch.ExecuteReaderAsync(cancel);
        var designs = await reader.RestAsync(ReadDesign, cancel);
        await reader.NextResultAsync(cancel);
        var marks = await reader.RestAsync(r => (Lineage: r.GetInt32(1), Mark: Marks.Read(r, 2)), cancel);
        await reader.NextResultAsync(cancel);
        var fonts = await reader.RestAsync(r => FontBook.Read(r.GetString(0)), cancel);
        return designs.Count == 0 ? null : (designs[0] with { Fonts = fonts[0].OfDesign(design) }, InDraft(designs[0], marks));
    }

    /// <summary>Makes a project, owned by whoever makes it, and tells its number.</summary>
    public Task<int> AddAsync(string name, IReadOnlyList<string> platforms, Actor actor, CancellationToken cancel) => database.Source
        .Command($"""
            with made as (insert into projects (name, platforms, touched_by) values ($1, $2, $3) returning id)
            , owned as (insert into members (project_id, person_id, role) select id, $4, 'owner' from made where $4::int is not null)
            select id, {Signals.Notify}json_build_object('kind', '{Signals.Edited}', 'project', id, 'page', '')::text) from made
            """, name, platforms.ToArray(), actor.Name, actor.Person).ScalarAsync<int>(cancel);

    /// <summary>Keeps what the first page shows of a project, unless somebody counted it later.</summary>
    /// <param name="id">The project.</param>
    /// <param name="revision">The revision at which it was counted.</param>
    /// <param name="counts">The counts, as JSON.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task KeepCountsAsync(int id, long revision, string counts, CancellationToken cancel) => database.Redoable
        .Command("update projects set counts = $3::jsonb, counted_at = $2 where id = $1 and counted_at <= $2", id, revision, counts).RunAsync(cancel);

    /// <summary>Projects whose counts are from before their last change.</summary>
    public Task<List<int>> UncountedAsync(int most, CancellationToken cancel) => database.Source
        .Command("select id from projects where counted_at <> revision and deleted_at is null order by touched_at desc limit $1", most).ListAsync(r => r.GetInt32(0), cancel);

    private static ProjectRow Read(NpgsqlDataReader r) => new(r.GetInt32(0), r.GetString(1), r.GetFieldValue<string[]>(2), r.GetString(3))
    {
        Description = r.GetString(4),
        Checks = r.GetString(5),
        Revision = r.GetInt64(6),
        ArchivedAt = r.Time(7),
        Fonts = r.GetString(8),
        Tokens = r.GetString(9),
    };

    private static DesignRow ReadDesign(NpgsqlDataReader r) =>
        DraftLineages.Read(r, 12) is var lineages ? new(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetDouble(3), r.GetInt32(4), r.GetInt32(5), r.GetString(6), InDraft(r.GetString(7), lineages))
        {
            Lineages = lineages,
            Asked = r.GetInt32(10),
            Credit = r.Nullable<string[]>(11) is [var copyright, var by, var contact] ? new(copyright, by, contact) : null,
            Position = r.GetInt32(8),
            RemovedAt = r.Time(9),
        } : throw new InvalidOperationException();

    // What was said of layers that are not in this draft waits for them to come back.
    private static Dictionary<int, Mark> InDraft(DesignRow design, IEnumerable<(int Lineage, Mark Mark)> marks) =>
        marks.Where(m => design.Lineages.OrdinalOf(m.Lineage) is not null).ToDictionary(m => design.Lineages.OrdinalOf(m.Lineage)!.Value, m => m.Mark);

    private static string InDraft(string arrangement, Lineages draft) => Arrangement.Parse(arrangement).In(draft).ToString();
}
