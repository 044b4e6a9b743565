namespace Kalypto.Store;

/// <summary>The projects.</summary>
public sealed class ProjectStore(Database database)
{
    /// <summary>All projects, newest first.</summary>
    public Task<List<ProjectRow>> ListAsync(CancellationToken cancel) => database.Source
        .Command("select id, name, platforms, recipes from projects order by id desc")
        .ListAsync(r => new ProjectRow(r.GetInt32(0), r.GetString(1), r.GetFieldValue<string[]>(2), r.GetString(3)), cancel);

    /// <summary>One project, or null.</summary>
    public async Task<ProjectRow?> FindAsync(int id, CancellationToken cancel) => (await database.Source
        .Command("select id, name, platforms, recipes from projects where id = $1", id)
        .ListAsync(r => new ProjectRow(r.GetInt32(0), r.GetString(1), r.GetFieldValue<string[]>(2), r.GetString(3)), cancel)).FirstOrDefault();

    /// <summary>Makes a project and tells its number.</summary>
    public Task<int> AddAsync(string name, IReadOnlyList<string> platforms, CancellationToken cancel) => database.Source
        .Command("insert into projects (name, platforms) values ($1, $2) returning id", name, platforms.ToArray())
        .ScalarAsync<int>(cancel);

    /// <summary>Says which platforms a project is packed for.</summary>
    public Task SetPlatformsAsync(int id, IReadOnlyList<string> platforms, CancellationToken cancel) => database.Source
        .Command("update projects set platforms = $2 where id = $1", id, platforms.ToArray()).RunAsync(cancel);
}
