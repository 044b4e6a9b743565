namespace Kalypto.Store;

/// <summary>The places that deliveries are put into.</summary>
public sealed class PlaceStore(Database database)
{
    private const string Columns = "select id, project_id, folder, platform, delivery, follows, followed, pack, waits_for from places";

    /// <summary>The places of a project.</summary>
    public Task<List<PlaceRow>> ListAsync(int project, CancellationToken cancel) => database.Source.Command(Columns + " where project_id = $1 order by folder", project).ListAsync(Read, cancel);

    /// <summary>All places there are.</summary>
    public Task<List<PlaceRow>> AllAsync(CancellationToken cancel) => database.Source.Command(Columns + " order by id").ListAsync(Read, cancel);

    /// <summary>One place of a project; null when it is not there.</summary>
    public async Task<PlaceRow?> FindAsync(int project, int id, CancellationToken cancel) =>
        (await database.Source.Command(Columns + " where project_id = $1 and id = $2", project, id).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>Adds a place; null when the folder is a place already.</summary>
    public async Task<PlaceRow?> AddAsync(int project, string folder, string platform, CancellationToken cancel) =>
        (await database.Source.Command("insert into places (project_id, folder, platform) values ($1, $2, $3) on conflict do nothing returning id, project_id, folder, platform, delivery, follows, followed, pack, waits_for", project, folder, platform)
            .ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>Forgets a place. What lies there stays.</summary>
    public async Task<bool> RemoveAsync(int project, int id, CancellationToken cancel) =>
        await database.Source.Command("delete from places where project_id = $1 and id = $2", project, id).RunAsync(cancel) > 0;

    /// <summary>Says which delivery lies in a place.</summary>
    public Task DeliveredAsync(int id, int delivery, CancellationToken cancel) => database.Source.Command("update places set delivery = $2 where id = $1", id, delivery).RunAsync(cancel);

    /// <summary>Says whether each change is delivered to a place by itself.</summary>
    public async Task<bool> FollowAsync(int project, int id, bool follows, CancellationToken cancel) => await database.Source
        .Command("update places set follows = $3, followed = 0, waits_for = '' where project_id = $1 and id = $2", project, id, follows).RunAsync(cancel) > 0;

    /// <summary>The places that follow projects which changed since they were looked at, and have been still for a while.</summary>
    public Task<List<PlaceRow>> ToFollowAsync(TimeSpan still, CancellationToken cancel) => database.Source.Command("""
        select l.id, l.project_id, l.folder, l.platform, l.delivery, l.follows, p.revision, l.pack, l.waits_for from places l join projects p on p.id = l.project_id
        where l.follows and l.followed <> p.revision and p.archived_at is null and p.deleted_at is null and p.touched_at < now() - $1 order by l.id
        """, still).ListAsync(Read, cancel);

    /// <summary>Says how following went.</summary>
    /// <param name="id">The place.</param>
    /// <param name="revision">The revision that was looked at.</param>
    /// <param name="pack">What tells the pack apart.</param>
    /// <param name="waitsFor">What it waits for; empty when it was delivered.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task FollowedAsync(int id, long revision, string pack, string waitsFor, CancellationToken cancel) => database.Source
        .Command("update places set followed = $2, pack = $3, waits_for = $4 where id = $1", id, revision, pack, waitsFor).RunAsync(cancel);

    private static PlaceRow Read(Npgsql.NpgsqlDataReader r) => new(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetString(3), r.GetInt32(4))
    {
        Follows = r.GetBoolean(5),
        Followed = r.GetInt64(6),
        Pack = r.GetString(7),
        WaitsFor = r.GetString(8),
    };
}
