namespace Kalypto.Store;

/// <summary>The places that deliveries are put into.</summary>
public sealed class PlaceStore(Database database)
{
    private const string Columns = "select id, project_id, folder, platform, delivery, follows, followed, pack, waits_for, moves, agreed from places";

    // Open pages look again.
    private const string Told = $"{Signals.Notify}json_build_object('kind', '{Signals.Followed}', 'project', project_id)::text)";

    /// <summary>The places of a project.</summary>
    public Task<List<PlaceRow>> ListAsync(int project, CancellationToken cancel) => database.Source.Command(Columns + " where project_id = $1 order by folder", project).ListAsync(Read, cancel);

    /// <summary>All places there are.</summary>
    public Task<List<PlaceRow>> AllAsync(CancellationToken cancel) => database.Source.Command(Columns + " order by id").ListAsync(Read, cancel);

    /// <summary>One place of a project; null when it is not there.</summary>
    public async Task<PlaceRow?> FindAsync(int project, int id, CancellationToken cancel) =>
        (await database.Source.Command(Columns + " where project_id = $1 and id = $2", project, id).ListAsync(Read, cancel)).FirstOrDefault();

    /// <summary>Adds a place, as a step of the history; null when the folder is a place already.</summary>
    public async Task<PlaceRow?> AddAsync(Author author, string folder, string platform, CancellationToken cancel)
    {
        PlaceRow? made = null;
        await EditStore.LastingAsync(database, author, Role.Designer, async connection =>
        {
            made = (await connection.Command("insert into places (project_id, folder, platform) values ($1, $2, $3) on conflict do nothing returning id, project_id, folder, platform, delivery, follows, followed, pack, waits_for, moves, agreed", author.Project, folder, platform)
                .ListAsync(Read, cancel)).FirstOrDefault();
            return new(made is null ? StepState.Nothing : StepState.Done, $"Deliver to {folder}");
        }, cancel);
        return made;
    }

    /// <summary>Forgets a place, as a step of the history. What lies there stays.</summary>
    public Task<StepDone> RemoveAsync(Author author, int id, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.Designer, async connection =>
        await connection.Command("delete from places where project_id = $1 and id = $2 returning folder", author.Project, id).ListAsync(r => r.GetString(0), cancel) is [var folder] ? new(StepState.Done, $"Deliver to {folder} no more") : new(StepState.Nothing), cancel, evenArchived: true);

    /// <summary>What a delivery to a place was about to do when it was last heard of; null for nothing.</summary>
    public async Task<string?> JournalAsync(int id, CancellationToken cancel) =>
        (await database.Source.Command("select journal from places where id = $1", id).ListAsync(r => r.Nullable<string>(0), cancel)).FirstOrDefault();

    /// <summary>Keeps what a delivery to a place is about to do.</summary>
    public Task KeepJournalAsync(int id, string journal, CancellationToken cancel) => database.Source.Command("update places set journal = $2 where id = $1", id, journal).RunAsync(cancel);

    /// <summary>Forgets the journal of a place, and records which delivery lies there now.</summary>
    /// <param name="id">The place.</param>
    /// <param name="delivery">The number of the delivery; null when it is the one that was there before.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task ForgetJournalAsync(int id, int? delivery, CancellationToken cancel) => database.Source
        .Command("update places set journal = null, delivery = coalesce($2::int, delivery) where id = $1 and (journal is not null or $2::int is not null)", id, delivery).RunAsync(cancel);

    /// <summary>Waits until no other process works on a place, and keeps all others away from it until it is disposed of.</summary>
    public Task<IAsyncDisposable> LockAsync(int id, CancellationToken cancel) => AdvisoryLock.TakeAsync(database, AdvisoryLock.Place, id, cancel);

    /// <summary>Says whether each change is delivered to a place by itself.</summary>
    public async Task<bool> FollowAsync(int project, int id, bool follows, CancellationToken cancel) => await database.Source
        .Command("update places set follows = $3, followed = 0, waits_for = '', moves = '' where project_id = $1 and id = $2", project, id, follows).RunAsync(cancel) > 0;

    /// <summary>Says that what a place waited for was settled: it is looked at again.</summary>
    public Task SettledAsync(int id, CancellationToken cancel) => database.Source
        .Command("update places set followed = 0, waits_for = '', moves = '' where id = $1 and waits_for <> ''", id).RunAsync(cancel);

    /// <summary>Agrees to the moves that a place waits with: it goes on.</summary>
    /// <param name="project">The project.</param>
    /// <param name="id">The place.</param>
    /// <param name="moves">The moves as they were shown.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>False when it waits for others by now.</returns>
    public async Task<bool> AgreeAsync(int project, int id, string moves, CancellationToken cancel) => await database.Source
        .Command("update places set agreed = moves, moves = '', followed = 0, waits_for = '' where project_id = $1 and id = $2 and moves = $3 and moves <> ''", project, id, moves).RunAsync(cancel) > 0;

    /// <summary>Takes a place to follow it, unless another process does; null when one does.</summary>
    public Task<IAsyncDisposable?> TryFollowAsync(int id, CancellationToken cancel) => AdvisoryLock.TryTakeAsync(database, AdvisoryLock.Following, id, cancel);

    /// <summary>Says what following is at.</summary>
    public Task TellAsync(int id, string waitsFor, CancellationToken cancel) => database.Source
        .Command($"with told as (update places set waits_for = $2 where id = $1 and waits_for <> $2 returning project_id) select {Told} from told", id, waitsFor).RunAsync(cancel);

    /// <summary>The places that follow projects which changed since they were looked at, and have been still for a while.</summary>
    public Task<List<PlaceRow>> ToFollowAsync(TimeSpan still, CancellationToken cancel) => database.Source.Command("""
        select l.id, l.project_id, l.folder, l.platform, l.delivery, l.follows, p.revision, l.pack, l.waits_for, l.moves, l.agreed from places l join projects p on p.id = l.project_id
        where l.follows and l.followed <> p.revision and p.archived_at is null and p.deleted_at is null and p.touched_at < now() - $1 order by l.id
        """, still).ListAsync(Read, cancel);

    /// <summary>Says how following went.</summary>
    /// <param name="id">The place.</param>
    /// <param name="revision">The revision that was looked at.</param>
    /// <param name="pack">What tells the pack apart.</param>
    /// <param name="waitsFor">What it waits for; empty when it was delivered.</param>
    /// <param name="moves">The moves that it waits with; empty for none.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task FollowedAsync(int id, long revision, string pack, string waitsFor, string moves, CancellationToken cancel) => database.Source
        .Command($"with told as (update places set followed = $2, pack = $3, waits_for = $4, moves = $5 where id = $1 returning project_id) select {Told} from told", id, revision, pack, waitsFor, moves).RunAsync(cancel);

    private static PlaceRow Read(Npgsql.NpgsqlDataReader r) => new(r.GetInt32(0), r.GetInt32(1), r.GetString(2), r.GetString(3), r.GetInt32(4))
    {
        Follows = r.GetBoolean(5),
        Followed = r.GetInt64(6),
        Pack = r.GetString(7),
        WaitsFor = r.GetString(8),
        Moves = r.GetString(9),
        Agreed = r.GetString(10),
    };
}
