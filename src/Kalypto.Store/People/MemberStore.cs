namespace Kalypto.Store.People;

/// <summary>Who may do what in which project. What changes it stands in the history of the project, to stay.</summary>
public sealed class MemberStore(Database database)
{
    /// <summary>Those who may do something in a project: owners first, then by name.</summary>
    public async Task<IReadOnlyList<MemberRow>> ListAsync(int project, CancellationToken cancel) => [.. (await database.Source
        .Command("select p.id, p.name, p.email, m.role from members m join people p on p.id = m.person_id where m.project_id = $1 and p.shut_at is null", project)
        .ListAsync(r => new MemberRow(r.GetInt32(0), r.GetString(1), r.GetString(2), Roles.Of(r.GetString(3))), cancel))
        .OrderByDescending(m => m.Role).ThenBy(m => m.Name, StringComparer.OrdinalIgnoreCase).ThenBy(m => m.Person)];

    /// <summary>Says what somebody may do; <see cref="Role.None"/> for nothing any more.</summary>
    /// <returns>How it went: blocked when nobody would be owner any more.</returns>
    public Task<StepDone> SayAsync(Author author, int person, Role role, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, async connection =>
    {
        // One after the other, so that two owners cannot take each other's place away at once.
        if (await connection.Command("select 1 from projects where id = $1 and deleted_at is null for update", author.Project).ListAsync(r => r.GetInt32(0), cancel) is [])
        {
            return new(StepState.Gone);
        }
        var present = await connection.Command("select role from members where project_id = $1 and person_id = $2", author.Project, person).ListAsync(r => Roles.Of(r.GetString(0)), cancel);
        if ((present is [var now] ? now : Role.None) == role)
        {
            return new(StepState.Nothing);
        }
        await (role == Role.None ? connection.Command("delete from members where project_id = $1 and person_id = $2", author.Project, person)
            : connection.Command("""
                insert into members (project_id, person_id, role) select $1, id, $3 from people where id = $2
                on conflict (project_id, person_id) do update set role = excluded.role
                """, author.Project, person, role.Text())).RunAsync(cancel);
        if (present is [Role.Owner] && !await connection.Command("select exists (select from members m join people p on p.id = m.person_id where m.project_id = $1 and m.role = 'owner' and p.shut_at is null)", author.Project).ScalarAsync<bool>(cancel))
        {
            return new(StepState.Blocked);
        }
        return new(StepState.Done, label);
    }, cancel);
}
