namespace Kalypto.Store;

/// <summary>What somebody may do in a project; each may all that those before it may.</summary>
public enum Role
{
    /// <summary>Nothing: the project is as if it were not there.</summary>
    None,
    /// <summary>Looks at what was delivered, and remarks on it.</summary>
    Guest,
    /// <summary>Reads and downloads what was delivered, and asks about it.</summary>
    Developer,
    /// <summary>Brings in, decides, names, builds and delivers.</summary>
    Designer,
    /// <summary>Also says who may do what, and puts the project away.</summary>
    Owner,
}
