using Kalypto.Core.Arranging;
using Npgsql;

namespace Kalypto.Store;

/// <summary>The lineages of the layers of drafts.</summary>
internal static class DraftLineages
{
    /// <summary>What <see cref="Read"/> reads of a draft <c>f</c>.</summary>
    public const string Columns = "coalesce(array_length(f.shapes, 1), 0) / 4, f.lineages";

    public static Lineages Read(NpgsqlDataReader reader, int first) => new(reader.GetInt32(first), [.. reader.GetFieldValue<int[]>(first + 1)]);

    /// <summary>Those of drafts of a project, with the designs that they are of.</summary>
    public static async Task<Dictionary<int, (int Design, Lineages Lineages)>> OfAsync(NpgsqlConnection connection, int project, int[] drafts, CancellationToken cancel) => drafts.Length == 0 ? [] :
        (await connection.Command($"select f.id, f.design_id, {Columns} from drafts f join designs d on d.id = f.design_id where f.id = any($1) and d.project_id = $2", drafts, project)
            .ListAsync(r => (Id: r.GetInt32(0), Design: r.GetInt32(1), Lineages: Read(r, 2)), cancel)).ToDictionary(d => d.Id, d => (d.Design, d.Lineages));

    /// <summary>Those of the draft that holds of a design; null when there is no such design.</summary>
    public static async Task<Lineages?> OfDesignAsync(NpgsqlConnection connection, int design, CancellationToken cancel) =>
        (await connection.Command($"select {Columns} from designs d join drafts f on f.id = d.draft_id where d.id = $1", design).ListAsync(r => Read(r, 0), cancel)).FirstOrDefault();
}
