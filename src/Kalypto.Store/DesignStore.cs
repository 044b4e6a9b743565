using Kalypto.Core.Designs;

namespace Kalypto.Store;

/// <summary>The designs of the projects, their drafts, and the shapes of the layers.</summary>
public sealed class DesignStore(Database database)
{
    private const string Columns = """
        select d.id, d.project_id, d.name, d.drawn_at, f.id, f.number, f.file_sha256, d.arrangement
        from designs d join lateral (select * from drafts where design_id = d.id order by number desc limit 1) f on true
        """;

    /// <summary>The designs of a project, in the order in which they were brought in.</summary>
    public Task<List<DesignRow>> ListAsync(int project, CancellationToken cancel) => database.Source
        .Command(Columns + " where d.project_id = $1 order by d.id", project)
        .ListAsync(r => new DesignRow(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetDouble(3), r.GetInt32(4), r.GetInt32(5), r.GetString(6), r.GetString(7)), cancel);

    /// <summary>Adds a design with its first draft: all of it or nothing.</summary>
    public async Task<int> AddAsync(
        int project, string name, double drawnAt, string fileName, byte[] file, DrawingTree drawing, IReadOnlyList<Box?> shapes, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var sha256 = await BlobStore.PutAsync(connection, file, cancel);
        var design = await connection.Command(
            "insert into designs (project_id, name, drawn_at) values ($1, $2, $3) returning id", project, name, drawnAt).ScalarAsync<int>(cancel);
        var draft = await connection.Command(
            "insert into drafts (design_id, number, file_name, file_sha256) values ($1, 1, $2, $3) returning id", design, fileName, sha256).ScalarAsync<int>(cancel);
        await using (var rows = await connection.BeginBinaryImportAsync("copy layers (draft_id, ordinal, name, content, shape) from stdin (format binary)", cancel))
        {
            foreach (var layer in drawing.Layers)
            {
                await rows.StartRowAsync(cancel);
                await rows.WriteAsync(draft, cancel);
                await rows.WriteAsync(layer.Ordinal, cancel);
                // PostgreSQL's text holds any character but this one.
                await rows.WriteAsync(layer.Name.Replace("\0", "", StringComparison.Ordinal), cancel);
                await rows.WriteAsync(layer.Content.ToString(), cancel);
                if (shapes[layer.Ordinal].Numbers() is { } shape)
                {
                    await rows.WriteAsync(shape, cancel);
                }
                else
                {
                    await rows.WriteNullAsync(cancel);
                }
            }
            await rows.CompleteAsync(cancel);
        }
        for (var i = 0; i < drawing.Screens.Length; i++)
        {
            var screen = drawing.Screens[i];
            await connection.Command("insert into screens values ($1, $2, $3, $4, $5)",
                draft, i, screen.Name, screen.Root.Ordinal, ((Box?)screen.Box).Numbers()).RunAsync(cancel);
        }
        await transaction.CommitAsync(cancel);
        return design;
    }

    /// <summary>The shape boxes of a draft by ordinal.</summary>
    public async Task<IReadOnlyList<Box?>> ShapesAsync(int draft, CancellationToken cancel) => await database.Source
        .Command("select shape from layers where draft_id = $1 order by ordinal", draft).ListAsync(r => r.Box(0), cancel);

    /// <summary>The file of a draft; null when there is no such draft.</summary>
    public async Task<(string DesignName, byte[] File)?> FileAsync(int draft, CancellationToken cancel)
    {
        var rows = await database.Source.Command("""
            select d.name, b.bytes from drafts f join designs d on d.id = f.design_id join blobs b on b.sha256 = f.file_sha256 where f.id = $1
            """, draft).ListAsync(r => (r.GetString(0), r.GetFieldValue<byte[]>(1)), cancel);
        return rows.Count == 0 ? null : rows[0];
    }
}
