namespace Kalypto.Store;

/// <summary>Conditions on projects: which of them somebody sees.</summary>
internal static class Readable
{
    /// <summary>The role that somebody has in a project, as SQL: a text, or null for none.</summary>
    /// <param name="project">The column of the project.</param>
    /// <param name="person">The parameter of the account.</param>
    public static string Role(string project, string person) => $"""
        coalesce((select m.role from members m where m.project_id = {project} and m.person_id = {person}),
          case when (select keeper from people where id = {person}) and not exists (select from members o where o.project_id = {project} and o.role = 'owner') then 'owner' end)
        """;

    /// <summary>True for projects that somebody may see, or for all when nobody is asked about.</summary>
    public static string By(string project, string person) => $"({person}::int is null or {Role(project, person)} is not null)";

    /// <summary>True for projects whose files somebody may have, or for all when nobody is asked about.</summary>
    public static string FilesBy(string project, string person) => $"({person}::int is null or {Role(project, person)} in ('developer', 'designer', 'owner'))";
}
