using Npgsql;

namespace Kalypto.Store;

/// <summary>Conditions on projects: which of them somebody sees.</summary>
internal static class Readable
{
    /// <summary>The role that somebody has in a project, as SQL: a text, or null for none, also where the project asks for a second factor that they do not have. Whoever looks after the server is owner where no owner can come in.</summary>
    /// <param name="project">The column of the project.</param>
    /// <param name="person">The parameter of the account.</param>
    public static string Role(string project, string person) => $"""
        coalesce((select m.role from members m join people mp on mp.id = m.person_id and mp.shut_at is null join projects mj on mj.id = m.project_id and (not mj.second_factor or mp.second_factor) where m.project_id = {project} and m.person_id = {person}),
          case when (select keeper from people where id = {person} and shut_at is null)
            and not exists (select from members o join people op on op.id = o.person_id and op.shut_at is null where o.project_id = {project} and o.role = 'owner') then 'owner' end)
        """;

    /// <summary>What somebody may do in a project right now: accounts by what the database says of them, whatever the request was let in with.</summary>
    public static async Task<Role> RoleAsync(NpgsqlConnection connection, int project, Actor actor, CancellationToken cancel) => actor.Person is not { } person ? actor.Role
        : await connection.Command($"select {Role("$1", "$2")}", project, person).ListAsync(r => Roles.Of(r.Nullable<string>(0)), cancel) is [var role] ? role : Store.Role.None;

    /// <summary>True for projects that somebody may see, or for all when nobody is asked about.</summary>
    public static string By(string project, string person) => $"({person}::int is null or {Role(project, person)} is not null)";

    /// <summary>True for projects whose files somebody may have, or for all when nobody is asked about.</summary>
    public static string FilesBy(string project, string person) => $"({person}::int is null or {Role(project, person)} in ('developer', 'designer', 'owner'))";
}
