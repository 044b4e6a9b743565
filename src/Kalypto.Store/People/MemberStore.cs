namespace Kalypto.Store.People;

/// <summary>Who may do what in which project. What changes it stands in the history of the project, to stay.</summary>
public sealed class MemberStore(Database database)
{
    /// <summary>Those who may do something in a project: owners first, then by name.</summary>
    public async Task<IReadOnlyList<MemberRow>> ListAsync(int project, CancellationToken cancel) => [.. (await database.Source
        .Command("select p.id, p.name, p.email, m.role from members m join people p on p.id = m.person_id where m.project_id = $1 and p.shut_at is null", project)
        .ListAsync(r => new MemberRow(r.GetInt32(0), r.GetString(1), r.GetString(2), Roles.Of(r.GetString(3))), cancel))
        .OrderByDescending(m => m.Role).ThenBy(m => m.Name, StringComparer.OrdinalIgnoreCase).ThenBy(m => m.Person)];

    /// <summary>Lets somebody in who took an invitation. Whoever may do more already keeps it.</summary>
    public Task<StepDone> JoinAsync(Author author, int person, Role role, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.None, async connection =>
    {
        if (await connection.Command("select role from members where project_id = $1 and person_id = $2", author.Project, person).ListAsync(r => Roles.Of(r.GetString(0)), cancel) is [var now] && now >= role)
        {
            return new(StepState.Nothing);
        }
        await connection.Command("""
            insert into members (project_id, person_id, role) values ($1, $2, $3) on conflict (project_id, person_id) do update set role = excluded.role
            """, author.Project, person, role.Text()).RunAsync(cancel);
        return new(StepState.Done, label);
    }, cancel, evenArchived: true);

    /// <summary>Says whether everybody in a project needs a second factor to be let in.</summary>
    public Task<StepDone> RequireSecondFactorAsync(Author author, bool isRequired, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.Owner, async connection => new(
        await connection.Command("update projects set second_factor = $2 where id = $1 and second_factor <> $2", author.Project, isRequired).RunAsync(cancel) == 0 ? StepState.Nothing : StepState.Done, label), cancel, evenArchived: true);

    /// <summary>True when everybody in a project needs a second factor to be let in.</summary>
    public Task<bool> RequiresSecondFactorAsync(int project, CancellationToken cancel) => database.Source.Command("select exists (select from projects where id = $1 and second_factor)", project).ScalarAsync<bool>(cancel);

    /// <summary>Says what somebody may do; <see cref="Role.None"/> for nothing any more.</summary>
    /// <returns>How it went: blocked when nobody would be owner any more.</returns>
    public Task<StepDone> SayAsync(Author author, int person, Role role, string label, CancellationToken cancel) => EditStore.LastingAsync(database, author, Role.Owner, async connection =>
    {
        var present = await connection.Command("select role from members where project_id = $1 and person_id = $2", author.Project, person).ListAsync(r => Roles.Of(r.GetString(0)), cancel);
        if ((present is [var now] ? now : Role.None) == role)
        {
            return new(StepState.Nothing);
        }
        // Whoever is signed in as them elsewhere has to sign in again; who changes their own stays where they are.
        await connection.Command("delete from sessions where person_id = $1 and id <> $2", person, author.Actor.Person == person ? author.Actor.Session : 0).RunAsync(cancel);
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
    }, cancel, evenArchived: true);
}
