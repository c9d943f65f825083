import { screen } from '../../features/screens/screen';

export default screen((all) => all.CompanyScreen);
