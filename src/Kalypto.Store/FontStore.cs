using Kalypto.Core.Fonts;

namespace Kalypto.Store;

/// <summary>The files of the fonts that projects have of their own.</summary>
public sealed class FontStore(Database database)
{
    /// <summary>Keeps the file of a font for a project, as long as that is there.</summary>
    /// <param name="project">The project.</param>
    /// <param name="file">TTF or OTF.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task KeepAsync(int project, byte[] file, CancellationToken cancel)
    {
        await using var connection = await database.Source.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var sha256 = await BlobStore.PutAsync(connection, file, cancel);
        await connection.Command("insert into project_fonts (project_id, sha256) values ($1, $2) on conflict do nothing", project, sha256).RunAsync(cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>The fonts of a project.</summary>
    public async Task<FontBook> OfAsync(int project, CancellationToken cancel) =>
        FontBook.Read((await database.Source.Command("select fonts from projects where id = $1", project).ListAsync(r => r.GetString(0), cancel)).FirstOrDefault() ?? "");
}
