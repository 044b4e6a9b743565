namespace Kalypto.Web.Doors;

/// <summary>Whom a route is for; each also for all that come after it, where it is about a project.</summary>
internal enum Need
{
    /// <summary>Whoever has an account.</summary>
    Person,
    /// <summary>Whoever looks after the server.</summary>
    Keeper,
    /// <summary>A guest of the project.</summary>
    Guest,
    /// <summary>A developer of the project.</summary>
    Developer,
    /// <summary>A designer of the project.</summary>
    Designer,
    /// <summary>An owner of the project.</summary>
    Owner,
}
