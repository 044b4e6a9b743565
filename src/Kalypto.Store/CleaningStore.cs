namespace Kalypto.Store;

/// <summary>Finds and removes what nobody refers to or uses any more. What a kept build or draft needs is never among it.</summary>
public sealed class CleaningStore(Database database)
{
    private static readonly TimeSpan LongWait = TimeSpan.FromDays(7);

    /// <summary>Cleans once. Any number of processes may do it at the same time.</summary>
    /// <returns>What was removed.</returns>
    public async Task<Cleaned> CleanAsync(KeepingLimits limits, CancellationToken cancel)
    {
        var projects = await RunAsync("delete from projects where deleted_at < now() - $1", limits.Deleted);
        var designs = await RunAsync("delete from designs where removed_at < now() - $1", limits.Deleted);
        var builds = await RunAsync("""
            delete from builds where id in (
              select id from (select id, row_number() over (partition by project_id order by id desc) as place from builds where state <> 'running' and number is null) as placed where place > $1)
            """, limits.Builds);
        await database.Source.Command("delete from shipped_looks l where not exists (select from shipped s where s.drawing = l.drawing)").Patiently().RunAsync(cancel);
        await database.Source.Command("delete from sign_in_tries where since < now() - interval '1 day'").RunAsync(cancel);
        await RunAsync("delete from drawing_jobs where queued_at < now() - $1 and (leased_until is null or leased_until < now())", LongWait);
        var drawings = await RunAsync("delete from drawings where used_at < now() - $1", limits.Unused);
        var looks = await RunAsync("delete from looks where used_at < now() - $1", limits.Unused);
        await RunAsync("delete from proofs where used_at < now() - $1", limits.Unused);
        // Whoever refers to content meanwhile waits for this, or this for them: the keys of the tables see to it.
        var blobs = await RunAsync("""
            delete from blobs b where kept_at < now() - $1
              and not exists (select from drafts where file_sha256 = b.sha256) and not exists (select from drawings where sha256 = b.sha256)
              and not exists (select from build_files where sha256 = b.sha256) and not exists (select from builds where zip_sha256 = b.sha256)
              and not exists (select from shipped_looks where picture = b.sha256) and not exists (select from proofs where marks = b.sha256)
              and not exists (select from project_fonts where sha256 = b.sha256)
            """, limits.Grace);
        return new(projects, designs, builds, drawings, looks, blobs);

        Task<int> RunAsync(string sql, object value) => database.Source.Command(sql, value).Patiently().RunAsync(cancel);
    }
}
