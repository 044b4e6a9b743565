using System.Collections.Concurrent;
using System.Text.Json;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;
using Npgsql;

namespace Kalypto.Store;

/// <summary>
/// What the team says of layers and designs. Edits of one project come one after the other, each changes single fields,
/// and each can be undone and redone.
/// </summary>
public sealed class EditStore(Database database)
{
    private const string DrawnAt = "drawn at";
    private const string Arranged = "arrangement";
    private const string Recipes = "recipes";

    // The same few lines of tags stand on thousands of layers.
    private static readonly ConcurrentDictionary<string, Tags> KnownTags = new(StringComparer.Ordinal);

    private sealed record Change(int Draft, int Ordinal, string Field, string? Before, string? After);

    /// <summary>What was said of the layers of a draft.</summary>
    public async Task<IReadOnlyDictionary<int, Mark>> MarksAsync(int draft, CancellationToken cancel) => (await database.Source
        .Command("select ordinal, decision, ship_name, tags, dismissed, apart from marks where draft_id = $1", draft)
        .ListAsync(r => (Ordinal: r.GetInt32(0), Mark: ReadMark(r)), cancel)).ToDictionary(m => m.Ordinal, m => m.Mark);

    /// <summary>Changes the marks of layers, all of them or none.</summary>
    /// <param name="author">The project and who does it.</param>
    /// <param name="label">What is done, for the history: "Ship 3 layers".</param>
    /// <param name="layers">The layers.</param>
    /// <param name="change">The new mark out of the present one; null for a layer of which nothing was ever said.</param>
    /// <param name="cancel">Ends the wait; nothing is changed then.</param>
    /// <param name="arranging">A change of an arrangement that goes with it.</param>
    public async Task EditAsync(
        Author author, string label, IReadOnlyList<LayerKey> layers, Func<LayerKey, Mark?, Mark> change, CancellationToken cancel, ArrangementEdit? arranging = null)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await LockAsync(connection, author.Project, cancel);
        var changes = new List<Change>();
        if (arranging is not null)
        {
            changes.AddRange(await ArrangeAsync(connection, author.Project, arranging, cancel));
        }
        var before = await ReadAsync(connection, layers, cancel);
        var after = layers.Distinct().ToDictionary(l => l, l => change(l, before.GetValueOrDefault(l)));
        changes.AddRange(after.SelectMany(a => Differences(a.Key, before.GetValueOrDefault(a.Key) ?? Mark.None, a.Value)));
        if (changes.Count == 0)
        {
            return;
        }
        await WriteAsync(connection, after, cancel);
        await RememberAsync(connection, author, label, changes, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Changes the arrangement of a design.</summary>
    public Task ArrangeAsync(Author author, string label, ArrangementEdit arranging, CancellationToken cancel) =>
        EditAsync(author, label, [], (_, mark) => mark ?? Mark.None, cancel, arranging);

    /// <summary>Changes the recipes of a project.</summary>
    /// <param name="author">The project and who does it.</param>
    /// <param name="label">What is done, for the history.</param>
    /// <param name="change">The new recipes out of the present ones.</param>
    /// <param name="cancel">Ends the wait; nothing is changed then.</param>
    public async Task ChangeRecipesAsync(Author author, string label, Func<RecipeBook, RecipeBook> change, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await LockAsync(connection, author.Project, cancel);
        var before = await connection.Command("select recipes from projects where id = $1", author.Project).ScalarAsync<string>(cancel);
        var after = RecipeBookJson.Write(change(RecipeBookJson.Read(before)));
        if (after == (before.Length == 0 ? RecipeBookJson.Write(RecipeBook.Usual) : before))
        {
            return;
        }
        await connection.Command("update projects set recipes = $2 where id = $1", author.Project, after).RunAsync(cancel);
        await RememberAsync(connection, author, label, [new(author.Project, -1, Recipes, before, after)], cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Says how many drawing units of a design are one pt.</summary>
    public async Task SetDrawnAtAsync(Author author, int design, double drawnAt, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await LockAsync(connection, author.Project, cancel);
        var before = await connection.Command("select drawn_at from designs where id = $1 and project_id = $2", design, author.Project).ScalarAsync<double>(cancel);
        await connection.Command("update designs set drawn_at = $2 where id = $1", design, drawnAt).RunAsync(cancel);
        await RememberAsync(connection, author, $"Drawn at {drawnAt}x", [new(design, -1, DrawnAt, Text(before), Text(drawnAt))], cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>The newest changes of a project, newest first.</summary>
    public Task<List<HistoryRow>> HistoryAsync(int project, int most, CancellationToken cancel) => database.Source
        .Command("select id, label, who, made_at, undone from edits where project_id = $1 order by id desc limit $2", project, most)
        .ListAsync(r => new HistoryRow(r.GetInt64(0), r.GetString(1), r.GetString(2), r.GetDateTime(3), r.GetBoolean(4)), cancel);

    /// <summary>Takes back the newest edit; null when there is none.</summary>
    public Task<EditDone?> UndoAsync(int project, CancellationToken cancel) => StepAsync(project, undo: true, cancel);

    /// <summary>Does again what was taken back last; null when there is none.</summary>
    public Task<EditDone?> RedoAsync(int project, CancellationToken cancel) => StepAsync(project, undo: false, cancel);

    private async Task<EditDone?> StepAsync(int project, bool undo, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await LockAsync(connection, project, cancel);
        var edits = await connection.Command(
            $"select id, label, changes from edits where project_id = $1 and undone = $2 order by id {(undo ? "desc" : "asc")} limit 1", project, !undo)
            .ListAsync(r => (Id: r.GetInt64(0), Label: r.GetString(1), Changes: r.GetString(2)), cancel);
        if (edits.Count == 0)
        {
            return null;
        }
        var changes = JsonSerializer.Deserialize<List<Change>>(edits[0].Changes)!;
        foreach (var c in changes.Where(c => c.Ordinal < 0))
        {
            var value = (undo ? c.Before : c.After)!;
            await (c.Field == Recipes ? connection.Command("update projects set recipes = $2 where id = $1", c.Draft, value)
                : c.Field == Arranged
                ? connection.Command("update designs set arrangement = $2 where id = $1", c.Draft, value)
                : connection.Command("update designs set drawn_at = $2 where id = $1", c.Draft, double.Parse(value, System.Globalization.CultureInfo.InvariantCulture)))
                .RunAsync(cancel);
        }
        var byLayer = changes.Where(c => c.Ordinal >= 0).GroupBy(c => new LayerKey(c.Draft, c.Ordinal)).ToDictionary(g => g.Key, g => g.ToList());
        var present = await ReadAsync(connection, [.. byLayer.Keys], cancel);
        await WriteAsync(connection, byLayer.ToDictionary(l => l.Key, l => l.Value.Aggregate(
            present.GetValueOrDefault(l.Key) ?? Mark.None, (mark, c) => With(mark, c.Field, undo ? c.Before : c.After))), cancel);
        await connection.Command("update edits set undone = $2 where id = $1", edits[0].Id, undo).RunAsync(cancel);
        await transaction.CommitAsync(cancel);
        return new(edits[0].Label, [.. byLayer.Keys]);
    }

    private static async Task LockAsync(NpgsqlConnection connection, int project, CancellationToken cancel) =>
        await connection.Command("select 1 from projects where id = $1 for update", project).ScalarAsync<int>(cancel);

    private static async Task<Dictionary<LayerKey, Mark>> ReadAsync(NpgsqlConnection connection, IReadOnlyList<LayerKey> layers, CancellationToken cancel) =>
        (await connection.Command("""
            select m.draft_id, m.ordinal, m.decision, m.ship_name, m.tags, m.dismissed, m.apart from marks m
            join unnest($1, $2) as l (draft_id, ordinal) using (draft_id, ordinal)
            """, layers.Select(l => l.Draft).ToArray(), layers.Select(l => l.Ordinal).ToArray())
        .ListAsync(r => (Key: new LayerKey(r.GetInt32(0), r.GetInt32(1)), Mark: ReadMark(r, 2)), cancel)).DistinctBy(m => m.Key).ToDictionary(m => m.Key, m => m.Mark);

    private static Task WriteAsync(NpgsqlConnection connection, Dictionary<LayerKey, Mark> marks, CancellationToken cancel) => connection.Command("""
        insert into marks (draft_id, ordinal, decision, ship_name, tags, dismissed, apart)
        select * from unnest($1, $2, $3, $4, $5, $6, $7)
        on conflict (draft_id, ordinal) do update set decision = excluded.decision, ship_name = excluded.ship_name, tags = excluded.tags,
          dismissed = excluded.dismissed, apart = excluded.apart
        """,
        marks.Keys.Select(k => k.Draft).ToArray(), marks.Keys.Select(k => k.Ordinal).ToArray(),
        marks.Values.Select(m => m.Decision.ToString()).ToArray(), marks.Values.Select(m => m.ShipName).ToArray(),
        marks.Values.Select(m => m.Tags.ToString()).ToArray(), marks.Values.Select(m => m.Dismissed).ToArray(), marks.Values.Select(m => m.Apart).ToArray()).RunAsync(cancel);

    private static async Task<List<Change>> ArrangeAsync(NpgsqlConnection connection, int project, ArrangementEdit edit, CancellationToken cancel)
    {
        var before = await connection.Command("select arrangement from designs where id = $1 and project_id = $2", edit.Design, project).ScalarAsync<string>(cancel);
        var after = edit.Change(Arrangement.Parse(before)).ToString();
        if (after == before)
        {
            return [];
        }
        await connection.Command("update designs set arrangement = $2 where id = $1", edit.Design, after).RunAsync(cancel);
        return [new(edit.Design, -1, Arranged, before, after)];
    }

    private static async Task RememberAsync(NpgsqlConnection connection, Author author, string label, List<Change> changes, CancellationToken cancel)
    {
        // What was taken back cannot be done again once something else is done.
        await connection.Command("""
            with gone as (delete from edits where project_id = $1 and undone)
            insert into edits (project_id, label, changes, who) values ($1, $2, $3::jsonb, $4)
            """,
            author.Project, label, JsonSerializer.Serialize(changes), author.Who).RunAsync(cancel);
    }

    private static Mark ReadMark(NpgsqlDataReader reader, int first = 1) =>
        new(Enum.Parse<Decision>(reader.GetString(first)), reader.Nullable<string>(first + 1), KnownTags.GetOrAdd(reader.GetString(first + 2), text => Tags.Parse(text)))
        {
            Dismissed = reader.GetBoolean(first + 3),
            Apart = reader.GetBoolean(first + 4),
        };

    private static IEnumerable<Change> Differences(LayerKey layer, Mark before, Mark after) => new[]
    {
        new Change(layer.Draft, layer.Ordinal, "decision", before.Decision.ToString(), after.Decision.ToString()),
        new Change(layer.Draft, layer.Ordinal, "name", before.ShipName, after.ShipName),
        new Change(layer.Draft, layer.Ordinal, "tags", before.Tags.ToString(), after.Tags.ToString()),
        new Change(layer.Draft, layer.Ordinal, "dismissed", before.Dismissed.ToString(), after.Dismissed.ToString()),
        new Change(layer.Draft, layer.Ordinal, "apart", before.Apart.ToString(), after.Apart.ToString()),
    }.Where(c => c.Before != c.After);

    private static Mark With(Mark mark, string field, string? value) => field switch
    {
        "decision" => mark with { Decision = Enum.Parse<Decision>(value!) },
        "name" => mark with { ShipName = value },
        "dismissed" => mark with { Dismissed = bool.Parse(value!) },
        "apart" => mark with { Apart = bool.Parse(value!) },
        _ => mark with { Tags = Tags.Parse(value!) },
    };

    private static string Text(double number) => number.ToString(System.Globalization.CultureInfo.InvariantCulture);
}
