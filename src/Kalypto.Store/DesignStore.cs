using Kalypto.Core.Designs;
using Npgsql;

namespace Kalypto.Store;

/// <summary>The drawings of the designs: their files, and where their layers lie.</summary>
public sealed class DesignStore(Database database)
{
    private const int MostAtOnce = 64;

    /// <summary>Adds a design with its first draft, as a step of the history: all of it or nothing.</summary>
    /// <returns>The number of the design; null when the project is not there or put away.</returns>
    public async Task<int?> AddAsync(
        Author author, string name, double drawnAt, string fileName, byte[] file, IReadOnlyList<Box?> shapes, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var isOpen = await connection.Command("select 1 from projects where id = $1 and archived_at is null and deleted_at is null for update", author.Project)
            .ListAsync(r => r.GetInt32(0), cancel);
        if (isOpen.Count == 0)
        {
            return null;
        }
        var sha256 = await BlobStore.PutAsync(connection, file, cancel);
        var (design, added) = (await connection.Command("""
            insert into designs (project_id, name, drawn_at, position) values ($1, $2, $3, coalesce((select max(position) from designs where project_id = $1), 0) + 1) returning id, now()
            """, author.Project, name, drawnAt).ListAsync(r => (r.GetInt32(0), r.GetDateTime(1)), cancel))[0];
        // PostgreSQL's text holds any character but this one.
        await connection.Command("insert into drafts (design_id, number, file_name, file_sha256, shapes) values ($1, 1, $2, $3, $4)",
            design, fileName.Replace("\0", "", StringComparison.Ordinal), sha256, Flat(shapes)).RunAsync(cancel);
        // Taken back, the design is removed as of when it came.
        await EditStore.RememberAsync(connection, author, $"Bring in {name}", [new(design, -1, "removed", FieldChange.Text(added), null)], cancel);
        await transaction.CommitAsync(cancel);
        return design;
    }

    /// <summary>The files of drafts with the names of their designs and the shape boxes of their layers by ordinal, one after the other.</summary>
    public async IAsyncEnumerable<DraftFile> FilesAsync(IReadOnlyCollection<int> drafts, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        foreach (var some in drafts.Chunk(MostAtOnce))
        {
            await using var command = database.Source.Command("""
                select f.id, d.name, b.bytes, f.shapes from drafts f join designs d on d.id = f.design_id join blobs b on b.sha256 = f.file_sha256 where f.id = any($1)
                """, some);
            await using var reader = await command.ExecuteReaderAsync(cancel);
            while (await reader.ReadAsync(cancel))
            {
                yield return new(reader.GetInt32(0), reader.GetString(1), reader.GetFieldValue<byte[]>(2), Boxes(reader));
            }
        }
    }

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
