using System.Text.Json;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Npgsql;

namespace Kalypto.Store;

/// <summary>
/// The one way in which anything that people say is changed. Steps of one project come one after the other, each changes
/// single fields, stands in the history with who made it, raises the project's revision, and is told to all processes.
/// </summary>
public sealed class EditStore(Database database)
{
    private const int LongestLabel = 300;
    private const string ProjectNow = "select archived_at is not null, deleted_at is not null from projects where id = $1 for update";

    /// <summary>Makes a step.</summary>
    /// <param name="author">The project and who does it.</param>
    /// <param name="step">What is done.</param>
    /// <param name="cancel">Ends the wait; nothing is changed then.</param>
    public async Task<StepDone> MakeAsync(Author author, Step step, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await RefusalAsync(connection, author, [.. step.Fields.Select(f => Field.Of(f.Field))], step.Layers.Count > 0, cancel) is { } refusal)
        {
            return refusal;
        }
        var changes = new List<Change>();
        foreach (var field in step.Fields)
        {
            var draft = field.Field == "arrangement" ? await DraftLineages.OfDesignAsync(connection, field.Of, cancel) : null;
            if (await FieldAsync(connection, author.Project, field.Of, Field.Of(field.Field), before => field.Change(before, draft ?? Lineages.First(0)), cancel) is not var (before, after))
            {
                return new(StepState.Gone, step.Label);
            }
            if (before != after)
            {
                changes.Add(new(field.Of, -1, field.Field, before, after));
            }
        }
        var drafts = await DraftLineages.OfAsync(connection, author.Project, [.. step.Layers.Select(l => l.Draft).Distinct()], cancel);
        var layers = step.Layers.Where(l => drafts.ContainsKey(l.Draft)).DistinctBy(KeyOf).ToList();
        if (layers.Count == 0 && step.Layers.Count > 0)
        {
            return new(StepState.Gone, step.Label);
        }
        var present = await Marks.ReadAsync(connection, [.. layers.Select(KeyOf)], cancel);
        var said = layers.ToDictionary(KeyOf, l => step.Say(l, present.GetValueOrDefault(KeyOf(l))));
        changes.AddRange(said.SelectMany(a => Marks.Differences(a.Key, present.GetValueOrDefault(a.Key) ?? Mark.None, a.Value)));
        if (changes.Count == 0)
        {
            return new(StepState.Nothing, step.Label);
        }
        await Marks.WriteAsync(connection, said, cancel);
        await RememberAsync(connection, author, step.Label, changes, cancel);
        await transaction.CommitAsync(cancel);
        return new(StepState.Done, step.Label);

        LineageKey KeyOf(LayerKey layer) => new(drafts[layer.Draft].Design, drafts[layer.Draft].Lineages.Of(layer.Ordinal));
    }

    /// <summary>The newest steps of a project, newest first.</summary>
    public Task<List<HistoryRow>> HistoryAsync(int project, int most, CancellationToken cancel) => database.Source
        .Command("select id, label, who, made_at, undone, undone_by, actor, lasting from edits where project_id = $1 order by id desc limit $2", project, most)
        .ListAsync(r => new HistoryRow(r.GetInt64(0), r.GetString(1), r.GetString(2), r.GetDateTime(3), r.GetBoolean(4), r.GetString(5), r.GetString(6), r.GetBoolean(7)), cancel);

    /// <summary>Takes back the newest step of the one who asks, also when others worked since.</summary>
    public Task<StepDone> UndoAsync(Author author, CancellationToken cancel) =>
        TurnAsync(author, undo: true, "actor = $2 and not undone and not lasting order by id desc", author.Actor.Id, cancel);

    /// <summary>Does again what the one who asks took back last.</summary>
    public Task<StepDone> RedoAsync(Author author, CancellationToken cancel) =>
        TurnAsync(author, undo: false, "undone_actor = $2 and undone and redoable order by undone_at desc, id", author.Actor.Id, cancel);

    /// <summary>Takes back any one step, or does it again when it was taken back.</summary>
    public Task<StepDone> TurnAsync(Author author, long step, bool undo, CancellationToken cancel) =>
        TurnAsync(author, undo, $"id = $2 and not lasting and {(undo ? "not undone" : "undone")}", step, cancel);

    /// <summary>Puts a step into the history, raises the revisions, and tells all processes when the transaction ends.</summary>
    internal static Task RememberAsync(NpgsqlConnection connection, Author author, string label, IReadOnlyList<Change> changes, CancellationToken cancel) =>
        // What was taken back cannot be done again once its maker does something else.
        RaiseAsync(connection, author, changes, """
            , forgotten as (update edits set redoable = false where project_id = $1 and undone_actor = $6 and redoable)
            , step as (insert into edits (project_id, label, changes, who, actor) values ($1, $7, $8::jsonb, $2, $6))
            """, cancel, author.Actor.Id, Core.Naming.PlainText.Clean(label, LongestLabel, "…"), JsonSerializer.Serialize(changes));

    /// <summary>Changes something beside the design, such as who may do what, with a step in the history that undo passes over: both, or nothing.</summary>
    /// <param name="database">The database.</param>
    /// <param name="author">The project and who does it.</param>
    /// <param name="least">What the author must be in the project at least, as the database says now.</param>
    /// <param name="change">Makes the change; gives the label of the step, or a state other than done when there is to be none.</param>
    /// <param name="cancel">Ends the wait; nothing is changed then.</param>
    /// <param name="evenArchived">True for what is changed in an archived project too, such as rights.</param>
    internal static async Task<StepDone> LastingAsync(Database database, Author author, Role least, Func<NpgsqlConnection, Task<StepDone>> change, CancellationToken cancel, bool evenArchived = false)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // One after the other, so that two owners cannot take each other's place away at once.
        var there = await connection.Command(ProjectNow, author.Project).ListAsync(r => (IsArchived: r.GetBoolean(0), IsDeleted: r.GetBoolean(1)), cancel);
        if (there is not [{ IsDeleted: false } project])
        {
            return new(StepState.Gone);
        }
        if (project.IsArchived && !evenArchived)
        {
            return new(StepState.Archived);
        }
        if (await Readable.RoleAsync(connection, author.Project, author.Actor, cancel) < least)
        {
            return new(StepState.Forbidden);
        }
        var done = await change(connection);
        if (done.IsDone)
        {
            await LastAsync(connection, author, done.Label, cancel);
            await transaction.CommitAsync(cancel);
        }
        return done;
    }

    private static Task LastAsync(NpgsqlConnection connection, Author author, string label, CancellationToken cancel) => connection.Command($$"""
        with step as (insert into edits (project_id, label, changes, who, actor, lasting) values ($1, $2, '[]', $3, $4, true))
        select {{Signals.Notify}}json_build_object('kind', '{{Signals.Edited}}', 'project', $1::int, 'page', $5::text)::text)
        """, author.Project, Core.Naming.PlainText.Clean(label, LongestLabel, "…"), author.Actor.Name, author.Actor.Id, author.Page).RunAsync(cancel);

    private async Task<StepDone> TurnAsync(Author author, bool undo, string which, object value, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var steps = await connection.Command($"select id, label, changes from edits where project_id = $1 and {which} limit 1", author.Project, value)
            .ListAsync(r => (Id: r.GetInt64(0), Label: r.GetString(1), Changes: r.GetString(2)), cancel);
        var changes = steps.Count == 0 ? [] : JsonSerializer.Deserialize<List<Change>>(steps[0].Changes)!;
        if (await RefusalAsync(connection, author, [.. changes.Where(c => c.Layer < 0).Select(c => Field.Of(c.Field))], changes.Exists(c => c.Layer >= 0), cancel) is { } refusal)
        {
            return refusal;
        }
        if (steps.Count == 0)
        {
            return new(StepState.Nothing);
        }
        var (id, label, text) = steps[0];
        // Whatever stands later on the same would be lost.
        var later = await connection.Command("""
            select e.label, e.who from edits e where e.project_id = $1 and e.id > $2 and not e.undone and exists (
              select from jsonb_to_recordset(e.changes) as l ("Of" int, "Layer" int, "Field" text)
              join jsonb_to_recordset($3::jsonb) as m ("Of" int, "Layer" int, "Field" text) using ("Of", "Layer", "Field"))
            order by e.id desc limit 1
            """, author.Project, id, text).ListAsync(r => new StepDone(StepState.Blocked, r.GetString(0), r.GetString(1)), cancel);
        if (later.Count > 0)
        {
            return later[0];
        }
        foreach (var c in changes.Where(c => c.Layer < 0))
        {
            if (await FieldAsync(connection, author.Project, c.Of, Field.Of(c.Field), _ => undo ? c.Before : c.After, cancel) is null)
            {
                return new(StepState.Gone, label);
            }
        }
        var byLayer = changes.Where(c => c.Layer >= 0).GroupBy(c => new LineageKey(c.Of, c.Layer)).ToDictionary(g => g.Key, g => g.ToList());
        var present = await Marks.ReadAsync(connection, [.. byLayer.Keys], cancel);
        await Marks.WriteAsync(connection, byLayer.ToDictionary(l => l.Key, l => l.Value.Aggregate(
            present.GetValueOrDefault(l.Key) ?? Mark.None, (mark, c) => Marks.With(mark, c.Field, undo ? c.Before : c.After))), cancel);
        await RaiseAsync(connection, author, changes, """
            , turned as (update edits set undone = $7, redoable = $7, undone_at = case when $7 then clock_timestamp() end,
                undone_by = case when $7 then $2 else '' end, undone_actor = case when $7 then $6 else '' end where id = $8)
            """, cancel, author.Actor.Id, undo, id);
        await transaction.CommitAsync(cancel);
        return new(StepState.Done, label);
    }

    private static async Task<StepDone?> RefusalAsync(NpgsqlConnection connection, Author author, IReadOnlyList<Field> fields, bool hasLayers, CancellationToken cancel)
    {
        var bringsBack = !hasLayers && fields.All(f => f.BringsBack);
        return await Readable.RoleAsync(connection, author.Project, author.Actor, cancel) < (fields.Any(f => f.BringsBack) ? Role.Owner : Role.Designer) ? new(StepState.Forbidden) : await connection.Command(ProjectNow, author.Project).ListAsync(r => (IsArchived: r.GetBoolean(0), IsDeleted: r.GetBoolean(1)), cancel) switch
        {
            [] => new(StepState.Gone),
            [_] when bringsBack => null,
            [{ IsDeleted: true }] => new(StepState.Gone),
            [{ IsArchived: true }] => new(StepState.Archived),
            _ => null,
        };
    }

    /// <summary>Changes a field; null when what it belongs to is not there.</summary>
    private static async Task<(string? Before, string? After)?> FieldAsync(
        NpgsqlConnection connection, int project, int of, Field field, Func<string?, string?> change, CancellationToken cancel)
    {
        var isThere = "id = $1 and " + (field.IsOfProject ? "id = $2" : field.IsOfDraft ? "design_id in (select id from designs where project_id = $2)" : "project_id = $2");
        var rows = await connection.Command($"select {field.Column}::text from {field.Table} where {isThere}", of, project).ListAsync(r => r.Nullable<string>(0), cancel);
        if (rows.Count == 0)
        {
            return null;
        }
        var after = change(rows[0]);
        if (after != rows[0])
        {
            await connection.Command($"update {field.Table} set {field.Column} = $2::{field.Type} where id = $1", of, after).RunAsync(cancel);
        }
        return (rows[0], after);
    }

    private static Task RaiseAsync(NpgsqlConnection connection, Author author, IReadOnlyList<Change> changes, string more, CancellationToken cancel, params object[] values) => connection.Command($$"""
        with raised as (update projects set revision = revision + 1, touched_at = now(), touched_by = $2 where id = $1 returning revision)
        , designed as (update designs set revision = (select revision from raised) where id = any($4) or id in (select design_id from drafts where id = any($5)))
        {{more}}
        select {{Signals.Notify}}json_build_object('kind', '{{Signals.Edited}}', 'project', $1::int, 'page', $3::text)::text) from raised
        """,
        [author.Project, author.Actor.Name, author.Page,
            changes.Where(c => c.Layer >= 0 || Field.Of(c.Field) is { IsOfProject: false, IsOfDraft: false }).Select(c => c.Of).Distinct().ToArray(),
            changes.Where(c => c.Layer < 0 && Field.Of(c.Field).IsOfDraft).Select(c => c.Of).Distinct().ToArray(), .. values]).RunAsync(cancel);
}
